<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Backup;
use Illuminate\Console\Command;
use Illuminate\Support\Carbon;

/** Notes that a backup was taken, or verified, for the status page. `bin/backup` and `bin/verify` call it. */
final class NoteBackupCommand extends Command
{
    protected $signature = 'backups:note {name} {--kind=whole} {--bytes=0} {--verified}';

    protected $description = 'Note a backup that was taken, or verified';

    public function handle(): int
    {
        [$name, $bytes] = [$this->argument('name'), (int) $this->option('bytes')];
        if ($this->option('verified') === true) {
            Backup::query()->where('name', $name)->update(['verified_at' => Carbon::now()]);

            return 0;
        }
        $taken = ['name' => $name, 'bytes' => $bytes, 'taken_at' => Carbon::now()];
        if ($this->option('kind') === Backup::WHOLE) {
            Backup::query()->create(['kind' => Backup::WHOLE] + $taken);
        } else {
            // It is taken each minute: only the last one is of interest, and it pushes no whole one out of sight.
            Backup::query()->updateOrCreate(['kind' => Backup::LOG], $taken);
        }

        return 0;
    }
}
