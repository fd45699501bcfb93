<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\KeepRevision;
use App\Actions\OpenJob;
use App\Log\AppendToLog;
use App\Log\DemoLog;
use App\Models\Crew;
use App\Models\Job;
use App\Models\User;
use App\People\Role;
use FallBend\Core\Job\JobFile;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Hash;

/** Puts the demo crew and its jobs in, where they are not there yet. What was changed in them since stays. */
final class SeedDemoCommand extends Command
{
    private const LEAD = 'lead@mill-row.example';

    protected $signature = 'demo:seed';

    protected $description = 'Put in the demo crew and its jobs, where they are missing';

    public function handle(KeepRevision $keep, JobFile $file, AppendToLog $append, OpenJob $open): int
    {
        // Its accounts have a password that everybody knows: they do not get in where people already have accounts of
        // their own.
        if (User::query()->where('email', self::LEAD)->doesntExist() && User::query()->exists()) {
            $this->warn(
                'There are accounts already, and none of the demo: the demo was not put in. Start without it: bin/start --empty',
            );

            return 0;
        }
        $crew = Crew::query()->firstOrCreate(['name' => 'Day crew']);
        $lead = $this->member($crew, 'lead', self::LEAD, Role::Owner);
        $apprentice = $this->member($crew, 'apprentice', 'apprentice@mill-row.example', Role::Apprentice);
        $paths = glob(database_path('demo/*.json'));
        foreach ($paths === false ? [] : $paths as $path) {
            $plan = $file->parse((string) file_get_contents($path));
            if (Job::query()->where('crew_id', $crew->id)->where('name', $plan->name)->doesntExist()) {
                $kept = $keep->start($crew->id, $lead, $plan);
                $name = basename($path, '.json');
                $log = fn (): DemoLog => new DemoLog($append, $kept->job, $kept->evaluation->evaluated, $name);
                match ($name) {
                    'mill-row-pottery' => $log()->halfDone($lead, $apprentice),
                    'weir-cottage-office' => $log()->finished($lead, $apprentice),
                    // The others are planned, and nothing of them is done yet.
                    default => null,
                };
                $open->summarise($kept->job);
            }
        }

        return 0;
    }

    private function member(Crew $crew, string $name, string $email, Role $role): User
    {
        $user =
            User::query()->where('email', $email)->first() ??
            User::query()->create(['name' => $name, 'email' => $email, 'password' => Hash::make('clay-wash')]);
        if ($user->crews->doesntContain($crew->id)) {
            $user->crews()->attach($crew, ['role' => $role->value]);
        }

        return $user;
    }
}
