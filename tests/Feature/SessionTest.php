<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Hashing\BcryptHasher;
use Illuminate\Support\Facades\Hash;
use Tests\TestCase;

final class SessionTest extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        self::member(Crew::query()->create(['name' => 'Day crew']), 'lead');
    }

    public function testThePageSaysItsVersionWhichTheChangesBeginWith(): void
    {
        $version = trim((string) file_get_contents(base_path('VERSION')));
        self::assertMatchesRegularExpression('/^\d+\.\d+\.\d+$/', $version);
        $this->withoutVite()
            ->get('/')
            ->assertOk()
            ->assertSee('<meta name="version" content="'.$version.'">', false);
        self::assertMatchesRegularExpression(
            '/^## '.preg_quote($version, '/').', \d{4}-\d\d-\d\d$/m',
            (string) file_get_contents(base_path('CHANGELOG.md')),
        );
    }

    public function testSigningInAndOut(): void
    {
        $response = $this->postJson('/api/session', ['email' => 'lead@example.test', 'password' => 'secret-lead']);
        $response->assertOk()->assertJsonPath('crews.0.name', 'Day crew');
        self::assertShape('Account', (string) $response->getContent());
        $this->getJson('/api/session')->assertOk();
        $this->deleteJson('/api/session')->assertNoContent();
        $this->app->make('auth')->forgetGuards();
        $this->getJson('/api/session')->assertStatus(401);
    }

    public function testAWrongPasswordSaysNoMoreThanThat(): void
    {
        $wrong = $this->postJson('/api/session', ['email' => 'lead@example.test', 'password' => 'x'])
            ->assertStatus(422)
            ->json('errors');
        $nobody = $this->postJson('/api/session', ['email' => 'nobody@example.test', 'password' => 'x'])
            ->assertStatus(422)
            ->json('errors');
        self::assertSame($wrong, $nobody);
        $this->postJson('/api/session', ['email' => 'no address'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['email', 'password']);
    }

    /** What takes the time is the hash: one of the same cost is checked whether or not anybody has the address. */
    public function testTheTimeTakenDoesNotTellWhoHasAnAccount(): void
    {
        $hasher = new class (['rounds' => 4]) extends BcryptHasher {
            /** @var list<array<string, mixed>> */
            public array $checked = [];

            /** @param array<array-key, mixed> $options */
            public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = []): bool
            {
                $this->checked[] = password_get_info((string) $hashedValue);

                return parent::check($value, $hashedValue, $options);
            }
        };
        Hash::swap($hasher);
        foreach (['lead@example.test', 'nobody@example.test', 'nobody.else@example.test'] as $email) {
            $this->postJson('/api/session', ['email' => $email, 'password' => 'x'])->assertStatus(422);
        }
        self::assertCount(3, $hasher->checked);
        self::assertSame('bcrypt', $hasher->checked[0]['algoName']);
        self::assertSame([$hasher->checked[0], $hasher->checked[0]], [$hasher->checked[1], $hasher->checked[2]]);
    }

    public function testGuessingIsSlowedDown(): void
    {
        for ($i = 0; $i < 12; $i++) {
            $this->postJson('/api/session', ['email' => 'lead@example.test', 'password' => 'secret-lead'])->assertOk();
        }
        for ($i = 0; $i < 10; $i++) {
            $this->postJson('/api/session', ['email' => 'lead@example.test', 'password' => "guess {$i}"])->assertStatus(
                422,
            );
        }
        $this->postJson('/api/session', ['email' => 'lead@example.test', 'password' => 'secret-lead'])->assertStatus(
            429,
        );
    }

    public function testPagesCarryTheirHeaders(): void
    {
        $this->withoutVite()
            ->get('/')
            ->assertOk()
            ->assertHeader('Content-Security-Policy')
            ->assertHeader('X-Content-Type-Options', 'nosniff');
        $this->withoutVite()->get('/jobs/anything/runs/x')->assertOk();
        $this->get('/api/nothing')->assertStatus(404);
    }
}
