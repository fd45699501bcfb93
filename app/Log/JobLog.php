<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\LogEntry;
use DateTimeImmutable;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryFile;
use FallBend\Core\Site\EntryKind;
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
        $content = self::content($entry);

        return [
            'number' => $entry->number,
            'key' => $entry->key,
            'kind' => EntryKind::from($entry->kind)->value,
            'run' => $content['run'] ?? null,
            'joint' => $content['joint'] ?? null,
            'note' => $content['note'] ?? '',
            'entry' => $content['entry'] ?? null,
            'said' => $content,
            'by' => $entry->author->name,
            'device' => $entry->device,
            'made_at' => $entry->made_at,
            'happened_at' => $entry->happened_at,
            'kept_at' => $entry->kept_at,
            'hash' => $entry->hash,
        ];
    }

    /** @return Content what an entry says */
    private static function content(LogEntry $entry): array
    {
        /** @var Content $content */
        $content = json_decode($entry->content, true, 8, JSON_THROW_ON_ERROR);

        return $content;
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
                self::content($entry),
                new DateTimeImmutable($entry->happened_at),
                $entry->author->name,
                $entry->hash,
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
        $faults = [];
        [$number, $hash] = [0, ''];
        foreach (LogEntry::query()->where('job_id', $job->id)->orderBy('number')->orderBy('id')->lazy(500) as $entry) {
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
        $head = Job::query()->findOrFail($job->id, ['id', 'log_length', 'log_hash']);
        if ($head->log_length !== $number || $head->log_hash !== $hash) {
            $faults[] = "the job knows of another end than entry {$number}";
        }

        return $faults;
    }
}
