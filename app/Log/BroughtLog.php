<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\LogEntry;
use App\Models\User;
use DateTimeImmutable;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryFile;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * The log in a job file (docs/job-file.md): written with all that its hashes are made of, so that whoever reads it can
 * see that nothing was changed, and read into the log of the job that is made of the file.
 *
 * @phpstan-type Origin array{by: string, hash: string}
 * @phpstan-type EntryRow array<string, int|string>
 */
final readonly class BroughtLog
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

    /** What the server adds to a signature. */
    private const ADDED = ['revision' => 0, 'document' => 0];

    private const TIME = '/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z\z/';

    private const AT_ONCE = 500;

    /** So many entries are brought in at most: all of them are in memory at once, some 3 kB each. */
    private const MOST = 10_000;

    /** @param list<EntryRow> $rows columns of entries; those that are of a job are still to be said */
    private function __construct(private array $rows) {}

    /** Gives the log of a job as a member of its file, an entry a line; nothing where there is none. */
    public static function written(Job $job): string
    {
        $lines = [];
        $entries = LogEntry::query()->with('author')->where('job_id', $job->id)->orderBy('number')->lazy(self::AT_ONCE);
        foreach ($entries as $entry) {
            $lines[] = json_encode(
                [
                    'number' => $entry->number,
                    'key' => $entry->key,
                    'kind' => $entry->kind,
                    'said' => json_decode($entry->content, false, 8, JSON_THROW_ON_ERROR),
                    'by' => self::origin($entry->content)['by'] ?? $entry->author->name,
                    'author' => $entry->author_id,
                    'device' => $entry->device,
                    'made_at' => $entry->made_at,
                    'happened_at' => $entry->happened_at,
                    'kept_at' => $entry->kept_at,
                    'hash' => $entry->hash,
                ],
                self::FLAGS,
            );
        }
        $id = json_encode($job->id, self::FLAGS);

        return $lines === []
            ? ''
            : "\"log\": {\n        \"job\": {$id},\n        \"entries\": [\n            ".
                implode(",\n            ", $lines).
                "\n        ]\n    }";
    }

    /**
     * Takes the member `log` of a file.
     *
     * @throws BadInput where it is wrong, or an entry is not what its hash stands for
     */
    public static function read(Fields $log): self
    {
        $job = $log->string('job', 40);
        [$rows, $hash, $keys] = [[], '', []];
        foreach ($log->children('entries', self::MOST) as $fields) {
            $row = self::row($fields, $job, count($rows) + 1, $hash);
            if (isset($keys[$row['key']])) {
                throw BadInput::at($fields->at('key'), 'stands twice', $row['key']);
            }
            [$rows[], $hash, $keys[$row['key']]] = [$row, $row['hash'], true];
        }
        $log->end();

        return new self($rows);
    }

    /**
     * @return array{
     *     job_id: string,
     *     number: int,
     *     key: string,
     *     kind: string,
     *     content: string,
     *     author_id: int,
     *     device: string,
     *     made_at: string,
     *     happened_at: string,
     *     kept_at: string,
     *     previous: string,
     *     hash: string,
     *     by: string,
     * }
     *
     * @throws BadInput
     */
    private static function row(Fields $fields, string $job, int $number, string $previous): array
    {
        $kind = $fields->enum('kind', EntryKind::class);
        $said = $fields->child('said')->all();
        $read = Fields::of(array_diff_key($said, self::ADDED, ['origin' => 0]), $fields->at('said'));
        EntryFile::read($kind, $read);
        $read->end();
        $row = [
            'job_id' => $job,
            'number' => $fields->int('number', $number, $number),
            'key' => $fields->string('key', 80),
            'kind' => $kind->value,
            'content' => json_encode($said, self::FLAGS),
            'author_id' => $fields->int('author', 0, PHP_INT_MAX),
            'device' => $fields->string('device', 80),
            'made_at' => $fields->stringOr('made_at', '', 40),
            'happened_at' => self::time($fields, 'happened_at'),
            'kept_at' => self::time($fields, 'kept_at'),
            'previous' => $previous,
            'hash' => $fields->string('hash', 64),
        ];
        $by = $fields->string('by', 200);
        $fields->end();
        if ((new LogEntry($row))->reckonedHash() !== $row['hash']) {
            throw BadInput::at(
                $fields->at('hash'),
                'does not stand for this entry: it was changed, or another one before it. Without "log" the file can '.
                    'be brought in as a plan',
                $row['hash'],
            );
        }

        return $row + ['by' => $by];
    }

    /** @throws BadInput */
    private static function time(Fields $fields, string $key): string
    {
        $time = $fields->string($key, 40);

        return preg_match(self::TIME, $time) === 1 && strtotime($time) !== false
            ? $time
            : throw BadInput::at($fields->at($key), 'must be a time such as 2026-11-25T09:40:00.000Z', $time);
    }

    /** Gives what the plan is held against. */
    public function onSite(): OnSite
    {
        $now = new DateTimeImmutable;
        $entries = [];
        foreach ($this->rows as $row) {
            /** @var array<string, mixed> $said */
            $said = json_decode((string) $row['content'], true, 8, JSON_THROW_ON_ERROR);
            unset($said['origin']);
            // @phpstan-ignore argument.type (it was read as an entry of its kind)
            $entries[] = new Entry((int) $row['number'], '', EntryKind::from((string) $row['kind']), $said, $now, '');
        }

        return (new SiteLog($entries, $now))->onSite();
    }

    /** @return list<string> ids of the runs that it speaks of */
    public function runs(): array
    {
        $runs = [];
        foreach ($this->rows as $row) {
            /** @var array<string, mixed> $said */
            $said = json_decode((string) $row['content'], true, 8, JSON_THROW_ON_ERROR);
            if (is_string($said['run'] ?? null)) {
                $runs[$said['run']] = true;
            }
        }

        return array_map(strval(...), array_keys($runs));
    }

    /** Says all of it in the log of a job that is new; who said it first, and its hash there, stand in each entry. */
    public function take(Job $job, User $author): void
    {
        $hash = '';
        $now = Carbon::now('UTC')->format('Y-m-d\TH:i:s.v\Z');
        $new = ['job_id' => $job->id, 'author_id' => $author->id, 'kept_at' => $now];
        foreach (array_chunk($this->rows, self::AT_ONCE) as $rows) {
            $entries = [];
            foreach ($rows as $row) {
                $entry = self::entry(['previous' => $hash] + $new, $row);
                $hash = $entry->hash;
                $entries[] = $entry->getAttributes();
            }
            LogEntry::query()->insert($entries);
        }
        DB::table('jobs')->where('id', $job->id)->update(['log_length' => count($this->rows), 'log_hash' => $hash]);
    }

    /**
     * @param EntryRow $new what is other in the job that is made of the file
     * @param EntryRow $row of the job that the file is of
     */
    private static function entry(array $new, array $row): LogEntry
    {
        /** @var array<string, mixed> $said */
        $said = json_decode((string) $row['content'], true, 8, JSON_THROW_ON_ERROR);
        $origin = ['by' => $row['by'], 'hash' => $row['hash']];
        unset($row['by']);
        $entry = new LogEntry(
            ['content' => json_encode(['origin' => $origin] + $said, self::FLAGS)] + $new + $row,
        );
        $entry->hash = $entry->reckonedHash();

        return $entry;
    }

    /**
     * @param string $content of an entry
     * @return Origin|null who said it in the job that a file was of; null: it was said in this one
     */
    public static function origin(string $content): ?array
    {
        if (! str_starts_with($content, '{"origin":')) {
            return null;
        }
        /** @var array{origin: Origin} $said */
        $said = json_decode($content, true, 8, JSON_THROW_ON_ERROR);

        return $said['origin'];
    }
}
