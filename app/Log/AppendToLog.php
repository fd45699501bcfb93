<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\LogEntry;
use App\Models\User;
use DateTimeImmutable;
use DateTimeZone;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\Progress;
use Illuminate\Support\Facades\DB;

/** Appends what happened on site to the log of a job, each thing once, in the order in which it arrives. */
final readonly class AppendToLog
{
    /** A transaction that met another is tried again. */
    private const ATTEMPTS = 5;

    /** So many entries a log has at most: every question about a job's site reads all of them. */
    public const MOST = 20_000;

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
                    self::refuseTooMany($n, $length);
                    $this->refuseTakingBackNothing($job, $event, $n, $length);
                    $this->refuseReadingOfNoTest($job, $event, $n);
                    $entry = $this->entry($job, $author, $device, $event);
                    $entry->fill(['number' => ++$length, 'previous' => $hash]);
                    $entry->hash = $hash = $entry->reckonedHash();
                    $entry->save();
                }
                $entries[] = $entry;
            }
            if ($length > $before) {
                $isOnBoard = array_filter($events, self::isOnBoard(...)) !== [];
                $columns = ['log_length' => $length, 'log_hash' => $hash];
                DB::table('jobs')
                    ->where('id', $job->id)
                    ->update($columns + ($isOnBoard ? ['summary_version' => 0] : []));
            }

            return $entries;
        }, self::ATTEMPTS);
    }

    /** Whether the board may show something else of the job than before: its summary is to be made anew. */
    public static function isOnBoard(SiteEvent $event): bool
    {
        return $event->kind === EntryKind::Cut || in_array($event->kind, Progress::KINDS, true);
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
            ($entry->kind === $event->kind->value &&
                self::isSame($entry, $event) &&
                $entry->made_at === $event->madeAt &&
                $entry->author_id === $author->id);

        return $isSame
            ? $entry
            : throw BadInput::at("entries.{$n}.key", 'stood for something else before', $event->key);
    }

    /** Whether an entry says what an event says; what the server added to it aside. */
    private static function isSame(LogEntry $entry, SiteEvent $event): bool
    {
        if ($event->kind !== EntryKind::Signed) {
            return $entry->content === $event->text();
        }
        /** @var array<string, mixed> $content */
        $content = json_decode($entry->content, true, 8, JSON_THROW_ON_ERROR);

        return array_diff_key($content, ['revision' => 0, 'document' => 0]) === $event->content;
    }

    /**
     * What a signature stands for beside the entries before it: the document as it is kept then.
     *
     * @return array{revision?: int, document?: string}
     */
    private static function signed(Job $job, SiteEvent $event): array
    {
        return $event->kind === EntryKind::Signed
            ? ['revision' => $job->head, 'document' => hash('sha256', $job->newest()->text())]
            : [];
    }

    /** @throws BadInput */
    private static function refuseTooMany(int $n, int $length): void
    {
        if ($length >= self::MOST) {
            throw BadInput::at("entries.{$n}", 'there are '.self::MOST.' entries already', null);
        }
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
                    ->where('kind', '!=', EntryKind::TakenBack->value)
                    ->exists());
        if (! $isThere) {
            throw BadInput::at("entries.{$n}.entry", 'is no entry that can be taken back', $number);
        }
    }

    /** @throws BadInput */
    private function refuseReadingOfNoTest(Job $job, SiteEvent $event, int $n): void
    {
        $test = $event->content['test'] ?? null;
        $isThere =
            $test === null ||
            LogEntry::query()
                ->where('job_id', $job->id)
                ->where('key', $test)
                ->where('kind', EntryKind::TestBegun->value)
                ->exists();
        if (! $isThere) {
            throw BadInput::at("entries.{$n}.test", 'is no test that was begun', $test);
        }
    }

    private function entry(Job $job, User $author, string $device, SiteEvent $event): LogEntry
    {
        $now = new DateTimeImmutable('now', new DateTimeZone('UTC'));
        $ageMs = (int) round($event->ageS * 1000);

        return new LogEntry([
            'job_id' => $job->id,
            'key' => $event->key,
            'kind' => $event->kind->value,
            'content' => $event->text(self::signed($job, $event)),
            'author_id' => $author->id,
            'device' => $device,
            'made_at' => $event->madeAt,
            'happened_at' => $now->modify("-{$ageMs} milliseconds")->format(self::TIME),
            'kept_at' => $now->format(self::TIME),
        ]);
    }
}
