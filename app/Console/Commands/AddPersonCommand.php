<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Crew;
use App\Models\User;
use App\People\Passwords;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/**
 * Makes an account, and the crew that it belongs to where there is none of that name. The password is asked for, and
 * never shown.
 */
final class AddPersonCommand extends Command
{
    protected $signature = 'people:add {email} {--name= : what others see; the part of the email before the @ where nothing is said} {--crew= : the crew that the person is in}';

    protected $description = 'Make an account; asks for the password';

    public function handle(): int
    {
        $email = mb_strtolower($this->argument('email'));
        $name = is_string($this->option('name')) ? trim($this->option('name')) : strstr($email, '@', true);
        $crew = is_string($this->option('crew')) ? trim($this->option('crew')) : '';
        $problem = match (true) {
            filter_var($email, FILTER_VALIDATE_EMAIL) === false => "{$email} is no email address.",
            $name === false || $name === '' || mb_strlen($name) > 80 => 'Say a name of up to 80 characters: --name="Your name"',
            $crew === '' || mb_strlen($crew) > 80 => 'Say the crew that the person is in: --crew="Day crew"',
            User::query()->where('email', $email)->exists() => "{$email} has an account already.",
            default => null,
        };
        $password = $problem === null ? $this->password() : '';
        $problem ??=
            mb_strlen($password) < Passwords::SHORTEST
                ? 'The password is too short: at least '.Passwords::SHORTEST.' characters.'
                : null;
        if ($problem !== null) {
            $this->error($problem);

            return 1;
        }
        $this->add($crew, ['name' => $name, 'email' => $email, 'password' => Hash::make($password)]);
        $this->line("{$email} can sign in now, in the crew {$crew}.");

        return 0;
    }

    /** @param array<string, mixed> $person */
    private function add(string $crew, array $person): void
    {
        DB::transaction(static function () use ($crew, $person): void {
            $user = User::query()->create($person);
            $user->crews()->attach(Crew::query()->firstOrCreate(['name' => $crew]));
        });
    }

    private function password(): string
    {
        $given = $this->secret('Password, at least '.Passwords::SHORTEST.' characters');

        return is_string($given) ? $given : '';
    }
}
