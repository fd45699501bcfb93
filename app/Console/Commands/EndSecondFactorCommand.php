<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use App\People\SecondFactor;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** Takes the second factor off an account whose phone and paper are lost. Who asks is known some other way. */
final class EndSecondFactorCommand extends Command
{
    protected $signature = 'people:end-second-factor {email}';

    protected $description = 'Take the second factor off an account whose phone and paper are lost';

    public function handle(): int
    {
        $email = Str::lower($this->argument('email'));
        $user = User::query()->where('email', $email)->first();
        if ($user === null) {
            $this->error("Nobody has the address {$email}.");

            return 1;
        }
        SecondFactor::end($user);
        $this->line("{$email} signs in with the password alone.");

        return 0;
    }
}
