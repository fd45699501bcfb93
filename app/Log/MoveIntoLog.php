<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\LogEntry;
use App\Models\User;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Site\MovedIntoLog;

/** Says in the log of a job what its document said up to version 3, each thing once. */
final readonly class MoveIntoLog
{
    private const DEVICE = 'job file of version 3';

    public function __construct(private AppendToLog $append) {}

    /**
     * @param User $author who kept that document
     * @param float $ageS how long ago it was kept, in seconds
     */
    public function move(Job $job, User $author, OnSite $site, float $ageS = 0.0): void
    {
        $moved = MovedIntoLog::entries($site);
        foreach (array_chunk($moved, 500) as $some) {
            $keys = array_column($some, 'key');
            $known = LogEntry::query()->where('job_id', $job->id)->whereIn('key', $keys)->pluck('key')->all();
            $events = [];
            foreach ($some as $one) {
                if (! in_array($one['key'], $known, true)) {
                    $events[] = SiteEvent::moved($one['key'], $one['kind'], $one['content'], $ageS);
                }
            }
            $this->append->append($job, $author, self::DEVICE, $events);
        }
    }
}
