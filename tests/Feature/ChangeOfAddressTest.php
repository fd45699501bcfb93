<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\People\Role;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password;
use Tests\Support\Mailbox;
use Tests\TestCase;
use Tests\TwoCrews;

/** Another address to sign in with: taken by a letter that went there, and told to the one before. */
final class ChangeOfAddressTest extends TestCase
{
    use Mailbox;
    use RefreshDatabase;
    use TwoCrews;

    private const PASSWORD = 'the password of now';

    protected function setUp(): void
    {
        parent::setUp();
        $this->lead->forceFill(['password' => Hash::make(self::PASSWORD)])->save();
        $this->actingAs($this->lead);
    }

    public function testItIsTakenByTheLetterThatWentThere(): void
    {
        $reset = Password::createToken($this->lead);
        $this->ask('New@firm.example', 'another one')->assertStatus(422)->assertJsonValidationErrors('current');
        self::assertSame('', $this->newestLetter());
        $this->ask('no address')->assertStatus(422)->assertJsonValidationErrors('email');
        $link = $this->linkTo('New@firm.example');
        self::assertSame('lead@example.test', $this->lead->fresh()?->email, 'until then nothing changes');

        // Somebody else who has the letter, where the address was mistyped, does not get the account.
        $this->app['auth']->forgetGuards();
        $this->putJson("/api/account/address/{$link}")->assertUnauthorized();
        $this->actingAs($this->stranger)
            ->putJson("/api/account/address/{$link}")
            ->assertNotFound();
        self::assertSame('lead@example.test', $this->lead->fresh()?->email);
        $this->actingAs($this->lead->fresh())
            ->putJson("/api/account/address/{$link}")
            ->assertOk()
            ->assertJsonPath('email', 'new@firm.example');
        $told = $this->newestLetter();
        self::assertStringContainsString('To: lead <lead@example.test>', $told);
        self::assertStringContainsString('no longer with lead@example.test', $told);
        $this->putJson("/api/account/address/{$link}")->assertNotFound();
        $sign = ['password' => self::PASSWORD];
        $this->postJson('/api/session', $sign + ['email' => 'lead@example.test'])->assertStatus(422);
        $this->postJson('/api/session', $sign + ['email' => 'new@firm.example'])->assertOk();
        self::assertFalse(Password::tokenExists($this->lead->fresh() ?? $this->lead, $reset), 'old letters are void');
        $noted = $this->getJson('/api/account/audit')->json('entries');
        self::assertContains('address', array_column($noted, 'act'));
    }

    public function testNobodyTakesTheAddressOfAnother(): void
    {
        $link = $this->linkTo('free@firm.example');
        $this->ask('stranger@example.test')->assertNoContent();
        self::assertStringContainsString('cannot be taken', $this->newestLetter());
        self::assertStringNotContainsString('/address/', $this->newestLetter());
        // And somebody has it by the time the letter is opened.
        User::query()->create(['name' => 'New', 'email' => 'free@firm.example', 'password' => Hash::make('x')]);
        $this->putJson("/api/account/address/{$link}")->assertNotFound();
        self::assertSame('lead@example.test', $this->lead->fresh()?->email);
    }

    public function testALinkThatIsOldOpensNothing(): void
    {
        $link = $this->linkTo('new@firm.example');
        $said = 'This link opens nothing any more. Ask for a new one.';
        $cutOff = substr($link, 0, 12);
        $this->putJson("/api/account/address/{$cutOff}")->assertNotFound()->assertJsonPath('message', $said);
        $this->travel(25)->hours();
        $this->putJson("/api/account/address/{$link}")->assertNotFound()->assertJsonPath('message', $said);
    }

    public function testAnotherNameIsToldToTheCrew(): void
    {
        $crew = $this->lead->crews()->firstOrFail();
        self::member($crew, 'ben', Role::Plumber);
        $this->putJson('/api/account', ['name' => 'Somebody else'])->assertOk();
        $noted = $this->getJson("/api/crews/{$crew->id}/audit")->json('entries.0');
        self::assertSame(['renamed', 'Somebody else'], [$noted['act'], $noted['about']['to']]);
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function ask(string $email, string $current = self::PASSWORD): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/api/account/address', ['current' => $current, 'email' => $email]);
    }

    private function linkTo(string $email): string
    {
        $this->ask($email)->assertNoContent();
        self::assertSame(1, preg_match('~/address/(\S+)~', $this->newestLetter(), $found));

        return $found[1] ?? '';
    }
}
