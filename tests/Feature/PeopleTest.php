<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use App\Models\Invitation;
use App\Models\User;
use App\People\MailboxTransport;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Support\Mailbox;
use Tests\TestCase;

/** How people come in, join crews, and keep their accounts their own. */
final class PeopleTest extends TestCase
{
    use Mailbox;
    use RefreshDatabase;

    private const ADA = ['name' => 'Ada', 'email' => 'Ada@firm.example', 'password' => 'long enough'];

    public function testTheFirstAccountIsMadeInTheBrowserAndNoSecondOne(): void
    {
        $this->getJson('/api/entrance')
            ->assertOk()
            ->assertExactJson(['first' => true, 'letters' => 'kept', 'sign_up' => false]);
        $this->postJson('/api/entrance/first', ['crew' => ' ', 'password' => 'short'] + self::ADA)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['crew', 'password']);
        $answer = $this->postJson('/api/entrance/first', self::ADA + ['crew' => 'Drains'])->assertCreated();
        self::assertShape('Account', (string) $answer->getContent());
        $this->getJson('/api/session')->assertOk()->assertJsonPath('crews.0.name', 'Drains');
        $this->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        $this->signOut();
        $this->getJson('/api/entrance')->assertJsonPath('first', false);
        $this->postJson('/api/entrance/first', ['email' => 'eve@firm.example', 'crew' => 'Mine'] + self::ADA)
            ->assertStatus(409);
        self::assertSame([1, 1], [User::query()->count(), Crew::query()->count()]);
        // The address is taken however it is written.
        $this->postJson('/api/session', ['email' => 'ADA@firm.example', 'password' => 'long enough'])->assertOk();
    }

    public function testAnInvitationLetsOnePersonIn(): void
    {
        $crew = $this->firstAccount();
        $asked = $this->postJson("/api/crews/{$crew}/invitations", ['for' => 'Ben'])->assertCreated();
        $link = '/api/invitations/'.basename((string) $asked->json('link'));
        $this->signOut();
        $this->getJson($link)->assertOk()->assertJson(['crew' => 'Drains', 'by' => 'Ada', 'for' => 'Ben']);
        // Somebody with an account signs in first.
        $this->postJson($link, self::ADA)
            ->assertStatus(422)
            ->assertJsonPath('errors.email.0', 'has an account already: sign in with it, and open the link again');
        $ben = ['name' => 'Ben', 'email' => 'ben@firm.example'] + self::ADA;
        $this->postJson($link, $ben)->assertCreated()->assertJsonPath('crew', $crew);
        $this->getJson('/api/session')->assertOk()->assertJsonPath('name', 'Ben');
        $people = $this->getJson("/api/crews/{$crew}")->assertOk();
        self::assertShape('CrewPeople', (string) $people->getContent());
        self::assertSame(['Ada', 'Ben'], array_column((array) $people->json('people'), 'name'));
        self::assertSame(['accepted', 'Ben'], [
            $people->json('invitations.0.state'),
            $people->json('invitations.0.accepted_by'),
        ]);
        $this->signOut();
        $this->getJson($link)->assertNotFound();
        $this->postJson($link, ['email' => 'cyd@firm.example'] + $ben)->assertNotFound();
        self::assertSame(2, User::query()->count());
        self::assertStringNotContainsString(basename($link), (string) json_encode(DB::table('invitations')->get()));
    }

    public function testAnInvitationRunsOutAndIsWithdrawn(): void
    {
        $crew = $this->firstAccount();
        $invited = fn (): TestResponse => $this->postJson("/api/crews/{$crew}/invitations", ['for' => 'Ben']);
        [$old, $withdrawn] = [$invited(), $invited()];
        $at = static fn (TestResponse $answer): string => '/api/invitations/'.basename((string) $answer->json('link'));
        $this->deleteJson("/api/crews/{$crew}/invitations/{$withdrawn->json('invitation.id')}")->assertNoContent();
        $this->getJson($at($withdrawn))->assertNotFound();
        $this->getJson($at($old))->assertOk();
        $this->travel(Invitation::DAYS)->days();
        $this->travel(1)->minutes();
        $this->getJson($at($old))->assertNotFound();
        $this->postJson("/api/crews/{$crew}/invitations", ['for' => ' '])->assertStatus(422);
    }

    public function testSomebodyIsInSeveralCrewsAndWorksForOneOfThem(): void
    {
        $drains = $this->firstAccount();
        $this->postJson('/api/jobs', ['document' => ['name' => 'Of Drains'] + self::demo()])->assertCreated();
        $sewers = $this->postJson('/api/crews', ['name' => 'Sewers'])->assertCreated()->json('crew');
        $names = fn (): array => array_column((array) $this->getJson('/api/jobs')->assertOk()->json('jobs'), 'name');
        self::assertSame([], $names());
        $job = $this->postJson('/api/jobs', ['document' => ['name' => 'Of Sewers'] + self::demo()])->assertCreated();
        self::assertSame(['Of Sewers'], $names());
        $this->postJson("/api/crews/{$drains}/choose")->assertOk()->assertJsonPath('crew', $drains);
        self::assertSame(['Of Drains'], $names());
        // A job of one's other crew opens all the same.
        $this->getJson("/api/jobs/{$job->json('id')}")->assertOk();
        $this->putJson("/api/crews/{$sewers}", ['name' => 'Night sewers'])
            ->assertOk()
            ->assertJsonPath('crews.1.name', 'Night sewers');
        $other = Crew::query()->create(['name' => 'Others']);
        $this->postJson("/api/crews/{$other->id}/choose")->assertNotFound();
        $this->getJson("/api/crews/{$other->id}")->assertNotFound();
        $this->putJson("/api/crews/{$other->id}", ['name' => 'Ours'])->assertNotFound();
        $this->postJson("/api/crews/{$other->id}/invitations", ['for' => 'Me'])->assertNotFound();
        self::assertSame('Others', $other->refresh()->name);
    }

    public function testAnAccountThatIsThereJoinsByInvitation(): void
    {
        $this->firstAccount();
        $others = Crew::query()->create(['name' => 'Others']);
        $cyd = self::member($others, 'cyd');
        $asked = $this->actingAs($cyd)->postJson("/api/crews/{$others->id}/invitations", ['for' => 'Ada']);
        $link = '/api/invitations/'.basename((string) $asked->assertCreated()->json('link'));
        $ada = User::query()->where('name', 'Ada')->firstOrFail();
        $this->actingAs($ada)->postJson($link)->assertOk()->assertJsonPath('crew', $others->id);
        self::assertSame(['Drains', 'Others'], $ada->crews()->orderBy('name')->pluck('name')->all());
    }

    public function testANewPasswordSignsOutEveryOtherDevice(): void
    {
        $this->firstAccount();
        $user = User::query()->firstOrFail();
        $this->otherDevice($user);
        $devices = $this->getJson('/api/account/devices')->assertOk();
        self::assertContains('Firefox on Windows', array_column((array) $devices->json('devices'), 'device'));
        $new = ['current' => 'long enough', 'password' => 'longer than before'];
        $this->putJson('/api/account/password', ['current' => 'wrong'] + $new)
            ->assertStatus(422)
            ->assertJsonPath('errors.current.0', 'This is not your password of now.');
        $this->putJson('/api/account/password', ['password' => 'short'] + $new)->assertStatus(422);
        self::assertSame(1, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->putJson('/api/account/password', $new)->assertNoContent();
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->signOut();
        $sign = fn (string $password): TestResponse => $this->postJson(
            '/api/session',
            ['email' => 'ada@firm.example', 'password' => $password],
        );
        $sign('long enough')->assertStatus(422);
        $sign('longer than before')->assertOk();
        $this->otherDevice($user);
        $this->deleteJson('/api/account/devices')->assertNoContent();
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->getJson('/api/session')->assertOk();
        $this->putJson('/api/account', ['name' => 'Ada B'])->assertOk()->assertJsonPath('name', 'Ada B');
    }

    public function testAForgottenPasswordIsSetAnewByLetter(): void
    {
        $this->firstAccount();
        $this->signOut();
        $this->otherDevice(User::query()->firstOrFail());
        $this->postJson('/api/entrance/forgotten', ['email' => 'nobody@firm.example'])->assertNoContent();
        self::assertSame([], MailboxTransport::letters($this->mailbox));
        $this->postJson('/api/entrance/forgotten', ['email' => 'Ada@firm.example'])->assertNoContent();
        $text = $this->newestLetter();
        self::assertMatchesRegularExpression('/^To: Ada <ada@firm\.example>/m', $text);
        self::assertSame(1, preg_match('~/reset/(\w+)\?email=ada%40firm\.example~', $text, $found));
        // Its link can be opened as it stands there.
        $link = '/reset/'.($found[1] ?? '').'?email=ada%40firm.example';
        $this->command('mail:read')->expectsOutputToContain($link)->assertOk();

        $reset = fn (array $with): TestResponse => $this->postJson(
            '/api/entrance/reset',
            $with + ['email' => 'ada@firm.example', 'token' => $found[1] ?? '', 'password' => 'another long one'],
        );
        $reset(['token' => 'guessed'])->assertStatus(422);
        $reset(['email' => 'nobody@firm.example'])->assertStatus(422);
        $reset(['password' => 'short'])->assertStatus(422);
        $reset([])->assertOk()->assertJsonPath('name', 'Ada');
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->signOut();
        // It opens once.
        $reset(['password' => 'yet another long one'])->assertStatus(422);
        $this->postJson('/api/session', ['email' => 'ada@firm.example', 'password' => 'another long one'])->assertOk();
    }

    public function testALinkToANewPasswordRunsOut(): void
    {
        $this->firstAccount();
        $this->signOut();
        $this->postJson('/api/entrance/forgotten', ['email' => 'ada@firm.example'])->assertNoContent();
        preg_match('~/reset/(\w+)~', $this->newestLetter(), $found);
        $this->travel(61)->minutes();
        $this->postJson('/api/entrance/reset', [
            'email' => 'ada@firm.example',
            'token' => $found[1] ?? '',
            'password' => 'another long one',
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.token.0', 'This link opens nothing any more. Ask for a new one.');
    }

    public function testTryingOverAndOverIsSlowedDown(): void
    {
        for ($i = 0; $i < 10; $i++) {
            $this->postJson('/api/entrance/forgotten', ['email' => "a{$i}@firm.example"])->assertNoContent();
        }
        $this->postJson('/api/entrance/forgotten', ['email' => 'a@firm.example'])->assertStatus(429);
    }

    private function firstAccount(): int
    {
        $crew = $this->postJson('/api/entrance/first', self::ADA + ['crew' => 'Drains'])->assertCreated()->json('crew');
        self::assertIsInt($crew);

        return $crew;
    }

    private function signOut(): void
    {
        $this->deleteJson('/api/session')->assertNoContent();
        $this->app->make('auth')->forgetGuards();
    }

    /** A device on which somebody is signed in beside. */
    private function otherDevice(User $user): void
    {
        DB::table('sessions')->insert([
            'id' => 'elsewhere',
            'user_id' => $user->id,
            'user_agent' => 'Mozilla/5.0 (Windows NT 10.0) Gecko/20100101 Firefox/130.0',
            'payload' => '',
            'last_activity' => now()->getTimestamp(),
        ]);
    }
}
