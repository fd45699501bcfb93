<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\LogEntry;
use DateTimeImmutable;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryFile;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\Progress;
use FallBend\Core\Site\SiteLog;
use Illuminate\Database\Eloquent\Collection;

/**
 * The log of a job, as it is answered and as the core takes it.
 *
 * @phpstan-import-type Content from EntryFile
 *
 * @phpstan-type WrittenEntry array{
 *     number: int,
 *     key: string,
 *     kind: value-of<EntryKind>,
 *     run: ?string,
 *     joint: ?int,
 *     note: string,
 *     entry: ?int,
 *     said: Content,
 *     by: string,
 *     device: string,
 *     made_at: string,
 *     happened_at: string,
 *     kept_at: string,
 *     hash: string,
 * }
 */
final readonly class JobLog
{
    /** So many entries are answered at once; the rest is asked for after the last of them. */
    private const AT_ONCE = 1_000;

    /** @return Collection<int, LogEntry> those after a number, in their order */
    public static function after(Job $job, int $number): Collection
    {
        return LogEntry::query()
            ->with('author')
            ->where('job_id', $job->id)
            ->where('number', '>', $number)
            ->orderBy('number')
            ->limit(self::AT_ONCE)
            ->get();
    }

    /** @return WrittenEntry */
    public static function written(LogEntry $entry): array
    {
        $content = self::read($entry->content);

        return [
            'number' => $entry->number,
            'key' => $entry->key,
            'kind' => EntryKind::from($entry->kind)->value,
            'run' => $content['run'] ?? null,
            'joint' => $content['joint'] ?? null,
            'note' => $content['note'] ?? '',
            'entry' => $content['entry'] ?? null,
            'said' => $content,
            'by' => self::by($entry),
            'device' => $entry->device,
            'made_at' => $entry->made_at,
            'happened_at' => $entry->happened_at,
            'kept_at' => $entry->kept_at,
            'hash' => $entry->hash,
        ];
    }

    /** @return Content what an entry says */
    private static function read(string $text): array
    {
        /** @var array<string, mixed> $said */
        $said = json_decode($text, true, 8, JSON_THROW_ON_ERROR);
        unset($said['origin']);
        /** @var Content $said */

        return $said;
    }

    /** Gives who said it: of an entry that came in a job file, who said it there. */
    private static function by(LogEntry $entry): string
    {
        $origin = BroughtLog::origin($entry->content);

        return $origin === null ? $entry->author->name : "{$origin['by']} (brought in by {$entry->author->name})";
    }

    /** Kinds of entries that a plan is held against, and what takes them back. */
    private const ON_SITE = [
        EntryKind::Cut,
        EntryKind::Printed,
        EntryKind::Level,
        EntryKind::Measured,
        EntryKind::TakenBack,
    ];

    /** Gives what the plan of a job is held against; nothing else of its log is read. */
    public static function onSite(string $job): OnSite
    {
        return self::part($job, self::ON_SITE)->onSite();
    }

    /** Gives how far the joints of a job are; nothing else of its log is read. */
    public static function progress(string $job): Progress
    {
        return Progress::of(self::part($job, Progress::KINDS));
    }

    /**
     * @param list<EntryKind> $kinds
     * @return SiteLog of the entries of some kinds, without who made them and when
     */
    private static function part(string $job, array $kinds): SiteLog
    {
        $rows = LogEntry::query()
            ->where('job_id', $job)
            ->whereIn('kind', array_map(static fn (EntryKind $kind): string => $kind->value, $kinds))
            ->orderBy('number')
            ->get(['number', 'kind', 'content']);
        $now = new DateTimeImmutable;
        $entries = [];
        foreach ($rows as $row) {
            $content = self::read($row->content);
            $entries[] = new Entry($row->number, '', EntryKind::from($row->kind), $content, $now, '');
        }

        return new SiteLog($entries, $now);
    }

    /** @return list<string> ids of all runs that the log of a job speaks of, those that are gone too */
    public static function runs(string $job): array
    {
        $runs = LogEntry::query()
            ->where('job_id', $job)
            ->selectRaw("DISTINCT JSON_VALUE(content, '$.run') AS run")
            ->pluck('run');
        $ids = [];
        foreach ($runs as $run) {
            if (is_string($run)) {
                $ids[] = $run;
            }
        }

        return $ids;
    }

    /** Gives what happened on site by now. */
    public static function siteLog(Job $job): SiteLog
    {
        $entries = [];
        foreach (LogEntry::query()->with('author')->where('job_id', $job->id)->orderBy('number')->get() as $entry) {
            $entries[] = new Entry(
                $entry->number,
                $entry->key,
                EntryKind::from($entry->kind),
                self::read($entry->content),
                new DateTimeImmutable($entry->happened_at),
                self::by($entry),
                $entry->hash,
                BroughtLog::origin($entry->content) !== null,
            );
        }

        return new SiteLog($entries, new DateTimeImmutable);
    }

    /**
     * Looks whether the log is as it was written: each entry as its hash says, after the one before, none missing.
     *
     * @return list<string> what is wrong, in the order of the entries
     */
    public static function faults(Job $job): array
    {
        $entries = LogEntry::query()->where('job_id', $job->id)->orderBy('number')->orderBy('id')->lazy(500);
        $head = Job::query()->findOrFail($job->id, ['id', 'log_length', 'log_hash']);

        return self::faultsOf($entries, $head->log_length, $head->log_hash);
    }

    /**
     * @param iterable<LogEntry> $entries in their order
     * @param int $length how many the job knows of
     * @param string $last hash of the last of them, as the job knows it
     * @return list<string> what is wrong, in the order of the entries
     */
    public static function faultsOf(iterable $entries, int $length, string $last): array
    {
        $faults = [];
        [$number, $hash] = [0, ''];
        foreach ($entries as $entry) {
            $number++;
            if ($entry->number !== $number) {
                $faults[] = "entry {$number} is missing: {$entry->number} stands in its place";
                $number = $entry->number;
            }
            if ($entry->previous !== $hash) {
                $faults[] = "entry {$number} does not follow the one before it";
            }
            if ($entry->hash !== $entry->reckonedHash()) {
                $faults[] = "entry {$number} was changed";
            }
            $hash = $entry->hash;
        }
        if ($length !== $number || $last !== $hash) {
            $faults[] = "the job knows of another end than entry {$number}";
        }

        return $faults;
    }
}
