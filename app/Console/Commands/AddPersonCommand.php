<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Crew;
use App\Models\User;
use App\People\Audit;
use App\People\Passwords;
use App\People\Role;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/**
 * Makes an account, and the crew that it belongs to where there is none of that name. The password is asked for, and
 * never shown.
 */
final class AddPersonCommand extends Command
{
    protected $signature = 'people:add {email}
        {--name= : what others see; the part of the email before the @ where nothing is said}
        {--crew= : the crew that the person is in}
        {--role= : owner, lead, plumber, apprentice or reader; without it owner of a new crew, else plumber}';

    protected $description = 'Make an account; asks for the password';

    public function handle(): int
    {
        $email = mb_strtolower($this->argument('email'));
        $name = is_string($this->option('name')) ? trim($this->option('name')) : strstr($email, '@', true);
        $crew = is_string($this->option('crew')) ? trim($this->option('crew')) : '';
        $role = $this->option('role');
        $problem = self::problem($email, $name, $crew, $role);
        $password = $problem === null ? $this->password() : '';
        $problem ??=
            mb_strlen($password) < Passwords::SHORTEST
                ? 'The password is too short: at least '.Passwords::SHORTEST.' characters.'
                : null;
        if ($problem !== null) {
            $this->error($problem);

            return 1;
        }
        $person = ['name' => $name, 'email' => $email, 'password' => Hash::make($password)];
        $this->add($crew, $role === null ? null : Role::from($role), $person);
        $this->line("{$email} can sign in now, in the crew {$crew}.");

        return 0;
    }

    /** What is wrong with what was said; null: nothing. */
    private static function problem(string $email, string|false $name, string $crew, ?string $role): ?string
    {
        $roles = implode(', ', array_column(Role::cases(), 'value'));

        return match (true) {
            filter_var($email, FILTER_VALIDATE_EMAIL) === false => "{$email} is no email address.",
            $name === false || $name === '' || mb_strlen($name) > 80 => 'Say a name of up to 80 characters: --name="Your name"',
            $crew === '' || mb_strlen($crew) > 80 => 'Say the crew that the person is in: --crew="Day crew"',
            $role !== null && Role::tryFrom($role) === null => "There is no role {$role}: {$roles}.",
            User::query()->where('email', $email)->exists() => "{$email} has an account already.",
            default => null,
        };
    }

    /** @param array<string, mixed> $person */
    private function add(string $name, ?Role $role, array $person): void
    {
        DB::transaction(static function () use ($name, $role, $person): void {
            $user = User::query()->create($person);
            $crew = Crew::query()->firstOrCreate(['name' => $name]);
            $role ??= $crew->wasRecentlyCreated ? Role::Owner : Role::Plumber;
            $user->crews()->attach($crew, ['role' => $role->value]);
            Audit::ofCrew($crew->id, 'joined', $user, ['role' => $role->value]);
        });
    }

    private function password(): string
    {
        $given = $this->secret('Password, at least '.Passwords::SHORTEST.' characters');

        return is_string($given) ? $given : '';
    }
}
