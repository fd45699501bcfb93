<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\People\Totp;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Password;
use Illuminate\Testing\TestResponse;
use ParagonIE\ConstantTime\Base32;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Tests\TwoCrews;

/** A code beside the password. */
final class SecondFactorTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    /** RFC 6238, appendix B, SHA-1, the last six of its eight digits. */
    #[TestWith([59, '287082'])]
    #[TestWith([1111111109, '081804'])]
    #[TestWith([1111111111, '050471'])]
    #[TestWith([1234567890, '005924'])]
    #[TestWith([2000000000, '279037'])]
    #[TestWith([20000000000, '353130'])]
    public function testCodesAreThoseOfTheStandard(int $at, string $code): void
    {
        $secret = Base32::encodeUpperUnpadded('12345678901234567890');
        self::assertSame($code, Totp::code($secret, intdiv($at, 30)));
        self::assertSame(intdiv($at, 30), Totp::step($secret, $code, $at, null));
        // A phone may be one step off, not two; and no code opens twice.
        self::assertNotNull(Totp::step($secret, $code, $at + 30, null));
        self::assertNull(Totp::step($secret, $code, $at + 90, null));
        self::assertNull(Totp::step($secret, $code, $at, intdiv($at, 30)));
    }

    public function testItIsSetUpAskedForAndTakenOff(): void
    {
        $this->travelTo(Carbon::parse('2026-12-01 10:00:00'));
        $this->actingAs($this->lead);
        $this->postJson('/api/account/second-factor', ['current' => 'wrong'])->assertStatus(422);
        $begun = $this->postJson('/api/account/second-factor', ['current' => 'secret-lead'])->assertCreated();
        self::assertShape('BegunSecondFactor', (string) $begun->getContent());
        $secret = (string) $begun->json('secret');
        self::assertStringContainsString("secret={$secret}", (string) $begun->json('address'));
        $kept = (array) DB::table('users')->find($this->lead->id);
        self::assertStringNotContainsString($secret, (string) json_encode($kept), 'it is sealed');
        // Until a code of it was typed it is not asked for.
        $this->signIn([])->assertOk();
        $this->putJson('/api/account/second-factor', ['code' => '000000'])->assertStatus(422);
        $codes = $this->putJson('/api/account/second-factor', ['code' => $this->code($secret)])->assertOk();
        self::assertCount(8, (array) $codes->json('codes'));
        $this->getJson('/api/session')->assertJsonPath('second_factor', true);

        $this->signIn([])->assertStatus(422)->assertJsonValidationErrors('code');
        $this->signIn(['code' => '000000'])->assertStatus(422);
        $this->signIn(['code' => $this->code($secret)])->assertStatus(422);
        $this->travel(30)->seconds();
        // A wrong password says nothing of a second factor.
        $this->signIn(['password' => 'wrong', 'code' => $this->code($secret)])
            ->assertStatus(422)
            ->assertJsonMissingValidationErrors('code');
        $this->signIn(['code' => $this->code($secret)])->assertOk();
        $paper = (string) $codes->json('codes.0');
        $this->signIn(['code' => $paper])->assertOk();
        $this->signIn(['code' => $paper])->assertStatus(422);

        $this->deleteJson('/api/account/second-factor', ['current' => 'wrong'])->assertStatus(422);
        $this->deleteJson('/api/account/second-factor', ['current' => 'secret-lead'])->assertNoContent();
        $this->signIn([])->assertOk();
        $acts = array_column((array) $this->getJson('/api/account/audit')->assertOk()->json('entries'), 'act');
        self::assertSame(
            'signed-in second-factor-off signed-in recovery-code signed-in second-factor-on signed-in',
            implode(' ', $acts),
        );
    }

    public function testAMailboxAloneDoesNotOpenAnAccountThatHasOne(): void
    {
        $secret = $this->setUpFactor();
        $token = Password::createToken(User::query()->findOrFail($this->lead->id));
        $reset = fn (array $with): TestResponse => $this->postJson(
            '/api/entrance/reset',
            $with + ['email' => 'lead@example.test', 'token' => $token, 'password' => 'another long one'],
        );
        // Without the letter nobody is told that there is one.
        $reset(['token' => 'guessed'])->assertStatus(422)->assertJsonMissingValidationErrors('code');
        $reset([])->assertStatus(422)->assertJsonValidationErrors('code');
        $reset(['code' => '000000'])->assertStatus(422)->assertJsonValidationErrors('code');
        $this->travel(30)->seconds();
        $reset(['code' => $this->code($secret)])->assertOk();
    }

    public function testCodesAreNotGuessed(): void
    {
        $secret = $this->setUpFactor();
        for ($n = 0; $n < 30; $n++) {
            $this->travel(61)->seconds();
            $this->signIn(['code' => sprintf('%06d', $n)])->assertStatus(422);
        }
        $this->signIn(['code' => $this->code($secret)])->assertStatus(429)->assertHeader('Retry-After');
        // Whoever signed in there before is not held up by what others try.
        $this->withCredentials()->withCookie('fall-bend-known', (string) $this->lead->id);
        $this->signIn(['code' => $this->code($secret)])->assertOk();
    }

    public function testWhoeverLostPhoneAndPaperIsLetInByWhoLooksAfterTheInstallation(): void
    {
        $this->setUpFactor();
        $this->signIn([])->assertStatus(422);
        $this->command('people:end-second-factor', ['email' => 'nobody@example.test'])->assertFailed();
        $this->command('people:end-second-factor', ['email' => 'Lead@example.test'])->assertSuccessful();
        $this->signIn([])->assertOk();
    }

    /** @return string the secret that the phone of the lead knows */
    private function setUpFactor(): string
    {
        $this->actingAs($this->lead);
        $secret = (string) $this->postJson('/api/account/second-factor', ['current' => 'secret-lead'])->json('secret');
        $this->putJson('/api/account/second-factor', ['code' => $this->code($secret)])->assertOk();

        return $secret;
    }

    private function code(string $secret): string
    {
        return Totp::code($secret, intdiv(Carbon::now()->getTimestamp(), 30));
    }

    /**
     * @param array<string, string> $with
     * @return TestResponse<Response>
     */
    private function signIn(array $with): TestResponse
    {
        $given = $with + ['email' => 'lead@example.test', 'password' => 'secret-lead'];
        $answer = $this->postJson('/api/session', $given);
        $this->actingAs(User::query()->findOrFail($this->lead->id));

        return $answer;
    }
}
