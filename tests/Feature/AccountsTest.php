<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

/** How accounts come into being: by the demo, where it was asked for, or one by one. */
final class AccountsTest extends TestCase
{
    use RefreshDatabase;

    public function testTheFirstAccountIsMadeByCommandAndSignsIn(): void
    {
        $this->command('people:add', ['email' => 'Ada@firm.example', '--crew' => 'Drains'])
            ->expectsQuestion('Password, at least 10 characters', 'long enough')
            ->assertSuccessful();
        $this->postJson('/api/session', [
            'email' => 'ada@firm.example',
            'password' => 'long enough',
        ])->assertSuccessful();
        $this->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        $this->command('people:add', ['email' => 'ben@firm.example', '--crew' => 'Drains', '--name' => 'Ben'])
            ->expectsQuestion('Password, at least 10 characters', 'long enough')
            ->assertSuccessful();
        $this->actingAs(User::query()->where('name', 'Ben')->firstOrFail())
            ->getJson('/api/jobs')
            ->assertOk()
            ->assertJsonCount(1, 'jobs');
    }

    public function testWhatIsWrongIsSaidAndNothingIsMade(): void
    {
        $this->command('people:add', ['email' => 'nobody', '--crew' => 'Drains'])
            ->expectsOutputToContain('no email address')
            ->assertFailed();
        $this->command('people:add', ['email' => 'ada@firm.example'])
            ->expectsOutputToContain('--crew')
            ->assertFailed();
        $this->command('people:add', ['email' => 'ada@firm.example', '--crew' => 'Drains'])
            ->expectsQuestion('Password, at least 10 characters', 'short')
            ->expectsOutputToContain('too short')
            ->assertFailed();
        self::assertSame(0, User::query()->count());
    }

    public function testTheDemoPutsNoAccountsBesidePeoplesOwn(): void
    {
        $this->command('people:add', ['email' => 'ada@firm.example', '--crew' => 'Day crew'])
            ->expectsQuestion('Password, at least 10 characters', 'long enough')
            ->assertSuccessful();
        $this->command('demo:seed')->expectsOutputToContain('bin/start --empty')->assertSuccessful();
        self::assertSame([1, 0], [User::query()->count(), Job::query()->count()]);
    }

    public function testTheDemoIsPutInOnce(): void
    {
        $this->command('demo:seed')->assertSuccessful();
        $this->command('demo:seed')->assertSuccessful();
        self::assertSame([2, 4], [User::query()->count(), Job::query()->count()]);
    }
}
