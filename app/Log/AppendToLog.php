<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\LogEntry;
use App\Models\User;
use DateTimeImmutable;
use DateTimeZone;
use FallBend\Core\Input\BadInput;
use Illuminate\Support\Facades\DB;

/** Appends what happened on site to the log of a job, each thing once, in the order in which it arrives. */
final readonly class AppendToLog
{
    /** A transaction that met another is tried again. */
    private const ATTEMPTS = 5;

    /** Times by the clock of the server, to the millisecond. */
    private const TIME = 'Y-m-d\TH:i:s.v\Z';

    /**
     * @param list<SiteEvent> $events
     * @return list<LogEntry> one for each, those that had arrived before too
     *
     * @throws BadInput where a key stood for something else before, or there is no entry to be taken back
     */
    public function append(Job $job, User $author, string $device, array $events): array
    {
        return DB::transaction(function () use ($job, $author, $device, $events): array {
            // Whoever else appends to this job waits here.
            $head = Job::query()->lockForUpdate()->findOrFail($job->id, ['id', 'log_length', 'log_hash']);
            [$length, $hash] = [$head->log_length, $head->log_hash];
            $before = $length;
            $entries = [];
            foreach ($events as $n => $event) {
                $entry = $this->arrived($job, $author, $event, $n);
                if ($entry === null) {
                    $this->refuseTakingBackNothing($job, $event, $n, $length);
                    $entry = $this->entry($job, $author, $device, $event);
                    $entry->fill(['number' => ++$length, 'previous' => $hash]);
                    $entry->hash = $hash = $entry->reckonedHash();
                    $entry->save();
                }
                $entries[] = $entry;
            }
            if ($length > $before) {
                DB::table('jobs')->where('id', $job->id)->update(['log_length' => $length, 'log_hash' => $hash]);
            }

            return $entries;
        }, self::ATTEMPTS);
    }

    /**
     * Gives the entry that was made of the same event before; null where there is none.
     *
     * @throws BadInput if it says something else
     */
    private function arrived(Job $job, User $author, SiteEvent $event, int $n): ?LogEntry
    {
        $entry = LogEntry::query()->where('job_id', $job->id)->where('key', $event->key)->first();
        $isSame =
            $entry === null ||
            ($entry->kind === $event->kind &&
                $entry->content === $event->text() &&
                $entry->made_at === $event->madeAt &&
                $entry->author_id === $author->id);

        return $isSame
            ? $entry
            : throw BadInput::at("entries.{$n}.key", 'stood for something else before', $event->key);
    }

    /** @throws BadInput */
    private function refuseTakingBackNothing(Job $job, SiteEvent $event, int $n, int $length): void
    {
        $number = $event->content['entry'] ?? null;
        $isThere =
            $number === null ||
            ($number <= $length &&
                LogEntry::query()
                    ->where('job_id', $job->id)
                    ->where('number', $number)
                    ->where('kind', '!=', 'taken-back')
                    ->exists());
        if (! $isThere) {
            throw BadInput::at("entries.{$n}.entry", 'is no entry that can be taken back', $number);
        }
    }

    private function entry(Job $job, User $author, string $device, SiteEvent $event): LogEntry
    {
        $now = new DateTimeImmutable('now', new DateTimeZone('UTC'));
        $ageMs = (int) round($event->ageS * 1000);

        return new LogEntry([
            'job_id' => $job->id,
            'key' => $event->key,
            'kind' => $event->kind,
            'content' => $event->text(),
            'author_id' => $author->id,
            'device' => $device,
            'made_at' => $event->madeAt,
            'happened_at' => $now->modify("-{$ageMs} milliseconds")->format(self::TIME),
            'kept_at' => $now->format(self::TIME),
        ]);
    }
}
