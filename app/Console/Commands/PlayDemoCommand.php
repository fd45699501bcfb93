<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\KeepRevision;
use App\Log\AppendToLog;
use App\Log\DemoLog;
use App\Models\User;
use FallBend\Core\Job\JobFile;
use Illuminate\Console\Command;

/** Plays a whole day of the demo crew in a job of its own, entry by entry, for whoever watches a screen meanwhile. */
final class PlayDemoCommand extends Command
{
    protected $signature = 'demo:play {--speed=60 : how many times faster than it was}';

    protected $description = 'Play a day of the demo crew, from the first dry fit to the signed record';

    public function handle(KeepRevision $keep, JobFile $file, AppendToLog $append): int
    {
        $lead = User::query()->where('email', 'lead@mill-row.example')->first();
        $apprentice = User::query()->where('email', 'apprentice@mill-row.example')->first();
        $crew = $lead?->crewId();
        if ($lead === null || $apprentice === null || $crew === null) {
            $this->error('The demo crew is not here: bin/start without --empty puts it in.');

            return 1;
        }
        /** @var array<string, mixed> $document */
        $document = json_decode(
            (string) file_get_contents(database_path('demo/weir-cottage-office.json')),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $plan = $file->parse(json_encode(['name' => 'A day at Weir Cottage'] + $document, JSON_THROW_ON_ERROR));
        $kept = $keep->start($crew, $lead, $plan);
        $this->info("Watch it at /jobs/{$kept->job->id}");
        $speed = is_numeric($this->option('speed')) ? max(1.0, (float) $this->option('speed')) : 60.0;
        (new DemoLog($append, $kept->job, $kept->evaluation->evaluated, 'weir-cottage-office'))->played(
            $lead,
            $apprentice,
            static fn (float $minutes) => usleep((int) (($minutes * 60_000_000) / $speed)),
            fn (string $kind) => $this->line($kind),
        );

        return 0;
    }
}
