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

    /** So many are remembered. */
    private const MOST = 2000;

    public function handle(): int
    {
        [$name, $bytes] = [$this->argument('name'), (int) $this->option('bytes')];
        if ($this->option('verified') === true) {
            Backup::query()->where('name', $name)->update(['verified_at' => Carbon::now()]);

            return 0;
        }
        $kind = $this->option('kind') === Backup::WHOLE ? Backup::WHOLE : 'log';
        Backup::query()->create(['name' => $name, 'kind' => $kind, 'bytes' => $bytes, 'taken_at' => Carbon::now()]);
        $old = Backup::query()->orderByDesc('id')->skip(self::MOST)->value('id');
        if (is_int($old)) {
            Backup::query()->where('id', '<=', $old)->delete();
        }

        return 0;
    }
}
