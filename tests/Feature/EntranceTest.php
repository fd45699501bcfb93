<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\Mailbox;
use Tests\TestCase;
use Tests\TwoCrews;

/** What stands open to everybody: signing up, guessing, visiting. */
final class EntranceTest extends TestCase
{
    use Mailbox;
    use RefreshDatabase;
    use TwoCrews;

    public function testWhereItIsLetWhoeverHasAMailboxHasAnAccount(): void
    {
        $this->postJson('/api/entrance/sign-up', ['email' => 'new@firm.example'])->assertNotFound();
        config(['people.sign_up' => 'open']);
        $this->getJson('/api/entrance')->assertJsonPath('sign_up', true);
        $this->postJson('/api/entrance/sign-up', ['email' => 'New@firm.example'])->assertNoContent();
        self::assertSame(1, preg_match('~/sign-up/(\S+)~', $this->newestLetter(), $found));
        $at = '/api/entrance/sign-up/'.($found[1] ?? '');
        $this->postJson($at, ['name' => 'New', 'password' => 'short', 'crew' => ' '])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password', 'crew']);
        $given = ['name' => 'New', 'password' => 'long enough', 'crew' => 'Mine'];
        $this->postJson($at, $given)
            ->assertCreated()
            ->assertJsonPath('email', 'new@firm.example')
            ->assertJsonPath('crews.0.role', 'owner');
        // It does once, and who has an account is told so by letter, and nobody else.
        $this->postJson($at, $given)->assertNotFound();
        $this->postJson('/api/entrance/sign-up', ['email' => 'lead@example.test'])->assertNoContent();
        self::assertStringContainsString('account with this address already', $this->newestLetter());
    }

    public function testWhatOthersTryLocksNobodyOut(): void
    {
        $this->guess()->assertOk();
        $known = $this->app['cookie']->queued('fall-bend-known')?->getValue();
        self::assertSame((string) $this->lead->id, $known);
        for ($n = 0; $n < 50; $n++) {
            // From everywhere in the world.
            $this->guess(['password' => "guess {$n}"], '203.'.intdiv($n, 2).".1.{$n}")->assertStatus(422);
        }
        $this->guess([], '198.51.100.9')->assertStatus(429)->assertHeader('Retry-After');
        $this->withCredentials()->withCookie('fall-bend-known', (string) $known);
        $this->guess([], '198.51.100.9')->assertOk();
        // And a letter is always to be had.
        $this->defaultCookies = [];
        $this->postJson('/api/entrance/forgotten', ['email' => 'lead@example.test'])->assertNoContent();
        self::assertStringContainsString('/reset/', $this->newestLetter());
    }

    public function testOneAddressAndOneNetworkAreSlowedDown(): void
    {
        for ($n = 0; $n < 40; $n++) {
            $this->guess(['email' => "n{$n}@example.test"], '203.0.113.7')->assertStatus(422);
        }
        $this->guess(['email' => 'other@example.test'], '203.0.113.7')->assertStatus(429);
        $this->guess(['email' => 'other@example.test'], '203.0.113.8')->assertStatus(422);
        Cache::flush();
        for ($n = 0; $n < 200; $n++) {
            $this->guess(['email' => "m{$n}@example.test"], '203.0.113.'.($n % 250))->assertStatus(422);
        }
        $this->guess([], '203.0.113.251')->assertStatus(429);
        $this->guess([], '203.0.114.1')->assertOk();
    }

    public function testTheAddressIsThatOfWhomAProxySpeaksForOnlyWhereItIsTrusted(): void
    {
        $behind = ['X-Forwarded-For' => '203.0.113.7', 'X-Forwarded-Proto' => 'https'];
        $this->get('/', $behind)->assertHeaderMissing('Strict-Transport-Security');
        config(['people.trusted_proxies' => '127.0.0.1, 10.0.0.0/8']);
        $safe = $this->get('/', $behind)->assertHeader('Strict-Transport-Security', 'max-age=63072000');
        self::assertTrue($safe->getCookie('fall-bend-session', false)?->isSecure());
        self::assertFalse($this->get('http://localhost/')->getCookie('fall-bend-session', false)?->isSecure());
    }

    public function testAVisitLeavesNoSession(): void
    {
        $this->get('/')->assertOk();
        $this->getJson('/api/session')->assertUnauthorized();
        $this->guess(['password' => 'wrong'])->assertStatus(422);
        self::assertSame(0, DB::table('sessions')->count());
        $this->guess()->assertOk();
        self::assertSame([$this->lead->id], DB::table('sessions')->pluck('user_id')->all());
    }

    public function testThatSomebodyWasHereIsNotedOnceAMinute(): void
    {
        $this->guess()->assertOk();
        $this->withCredentials()->withCookie('fall-bend-session', $this->app['session']->getId());
        $last = static fn (): mixed => DB::table('sessions')->value('last_activity');
        $first = $last();
        $this->travel(50)->seconds();
        $this->getJson('/api/session')->assertOk();
        self::assertSame($first, $last());
        $this->travel(15)->seconds();
        $this->getJson('/api/session')->assertOk();
        self::assertSame($first + 65, $last());
    }

    /** The password of nobody takes as long to check: the same work is done, whoever is named. */
    public function testAnAddressThatNobodyHasIsAnsweredAsOneThatSomebodyHas(): void
    {
        $ask = fn (string $email): array => [
            $this->guess(['email' => $email, 'password' => 'wrong'])->getStatusCode(),
            $this->guess(['email' => $email, 'password' => 'wrong'])->getContent(),
        ];
        self::assertSame($ask('lead@example.test'), $ask('nobody@example.test'));
        $nobodys = Cache::get('the password of nobody');
        self::assertIsString($nobodys);
        $own = User::query()->findOrFail($this->lead->id)->password;
        self::assertSame(password_get_info($own), password_get_info($nobodys));
    }

    /**
     * @param array<string, string> $with
     * @return TestResponse<Response>
     */
    private function guess(array $with = [], string $from = '192.0.2.1'): TestResponse
    {
        $given = $with + ['email' => 'lead@example.test', 'password' => 'secret-lead'];
        $answer = $this->withServerVariables(['REMOTE_ADDR' => $from])->postJson('/api/session', $given);
        $this->app['auth']->forgetGuards();

        return $answer;
    }
}
