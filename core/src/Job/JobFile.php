<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAddition;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Conditions;
use JsonException;
use WeakMap;

/**
 * Reads and writes the job file (docs/job-file.md). Strict: what it does not know it refuses, and says where.
 *
 * @phpstan-import-type WrittenLeg from LegFile
 */
final readonly class JobFile
{
    public const FORMAT = 'fall-bend-job';

    public const VERSION = 4;

    /** A document without anything in it, but for its name, its units and its rulebook. */
    public const EMPTY = ['format' => self::FORMAT, 'version' => self::VERSION, 'runs' => []];

    public const MOST_RUNS = JobReader::MOST_RUNS;

    /** A file is at most so large, when it is read as when it is written. */
    public const MOST_BYTES = 6_000_000;

    /** What stands in a file stands in at most so many others, when it is read as when it is written. */
    private const DEPTH = 64;

    /**
     * @var WeakMap<Run, array<string, mixed>> what was written of runs: most are the same from one document to the next
     */
    private WeakMap $written;

    public function __construct(private Catalogue $catalogue)
    {
        $this->written = new WeakMap;
    }

    /**
     * Takes the text of a file; gives the job.
     *
     * @throws BadInput if it is damaged, of another kind, of a later version, or wrong at some place
     */
    public function parse(string $text): Job
    {
        return $this->read(self::decoded($text));
    }

    /**
     * Takes a decoded document; gives what is marked on the pipe of the runs, with the number of the next leg. The rest
     * is not read, and nothing of runs that another document has with the same marks.
     *
     * @param array<array-key, mixed> $document
     * @param array<array-key, mixed> $read the other document, which was read whole
     * @return array<string, array{Marks, int}> by run
     *
     * @throws BadInput if it is of a later version, or the marks are wrong
     */
    public function marks(array $document, array $read = []): array
    {
        $file = Fields::of($document);
        if ($file->int('version', 1, self::VERSION) < self::VERSION) {
            return $this->read($document)->marks();
        }
        $known = is_array($read['runs'] ?? null) ? array_column($read['runs'], null, 'id') : [];
        $marks = [];
        foreach ($file->children('runs', self::MOST_RUNS) as $run) {
            $id = Named::id($run);
            if (isset($known[$id]) && self::ledger($known[$id]) === self::ledger($run->all())) {
                continue;
            }
            $nextLeg = $run->has('next_leg') ? $run->int('next_leg', 1, Run::LEGS_END) : 1;
            $marks[$id] = [MarksFile::read($run->childOrNull('marks')), $nextLeg];
        }

        return $marks;
    }

    /**
     * Takes a decoded document that can be read; gives the figures of its runs by id, and the next one.
     *
     * @param array<array-key, mixed> $document
     * @return array{array<string, int>, int}
     */
    public static function figures(array $document): array
    {
        $figures = [];
        foreach (is_array($document['runs'] ?? null) ? $document['runs'] : [] as $run) {
            $figure = is_array($run) && is_array($run['marks'] ?? null) ? $run['marks']['figure'] ?? 0 : 0;
            if (is_array($run) && is_string($run['id'] ?? null) && is_int($figure) && $figure > 0) {
                $figures[$run['id']] = $figure;
            }
        }
        $next = $document['next_figure'] ?? 1;

        return [$figures, is_int($next) ? $next : 1];
    }

    /**
     * @param mixed $run as it stands in a document
     * @return array{mixed, mixed} its marks and the number of its next leg, not read
     */
    private static function ledger(mixed $run): array
    {
        return is_array($run) ? [$run['marks'] ?? null, $run['next_leg'] ?? null] : [null, null];
    }

    /**
     * Takes the decoded document; gives the job.
     *
     * @param array<array-key, mixed> $document
     * @param KnownParts $known what of it was read before
     *
     * @throws BadInput
     */
    public function read(array $document, KnownParts $known = new KnownParts): Job
    {
        $known = $known->for($document);
        $file = Fields::of($document);
        $file->choice('format', [self::FORMAT]);
        $version = $file->int('version', 1, PHP_INT_MAX);
        if ($version > self::VERSION) {
            throw BadInput::at(
                'version',
                "This file is of version {$version}; this Fall Bend reads up to version ".
                    self::VERSION.
                    '. Nothing was changed.',
                $version,
            );
        }
        if ($version < self::VERSION) {
            return match ($version) {
                1 => $this->read(JobFileUpgrade::fromV1($document)),
                2 => $this->read(JobFileUpgrade::fromV2($document)),
                default => $this->read(JobFileUpgrade::fromV3($document))->onSite(OnSite::ofVersion3($file)),
            };
        }

        return (new JobReader($this->catalogue, $file, $known))->read();
    }

    /**
     * Gives the text of the file. Whatever is given can be parsed again to the same job: this is tried here.
     *
     * @param array<array-key, mixed> $before a document that was given here before, decoded: what stands in both has
     *     been tried
     *
     * @throws BadInput if it could not be
     */
    public function write(Job $job, array $before = []): string
    {
        $text = self::encoded($this->document($job));
        $known = $before === [] ? new KnownParts : new KnownParts($before, $job);
        if (self::encoded($this->document($this->read(self::decoded($text), $known))) !== $text) {
            throw BadInput::at(
                '',
                'This job cannot be written so that it is read again as it is. Nothing was changed.',
            );
        }

        return $text;
    }

    /**
     * Takes the text of a file; gives the document, not read yet.
     *
     * @param int $most so many bytes it may have
     * @return array<array-key, mixed>
     *
     * @throws BadInput if it is damaged, or of another kind
     */
    public static function decoded(string $text, int $most = self::MOST_BYTES): array
    {
        if (strlen($text) > $most) {
            throw BadInput::at(
                '',
                'This file is larger than a job can be: at most '.intdiv($most, 1_000_000).' MB.',
            );
        }
        try {
            $bare = preg_replace('/^\xEF\xBB\xBF/', '', $text) ?? $text;
            $decoded = json_decode($bare, true, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $error) {
            throw BadInput::at(
                '',
                'This is not a whole JSON file ('.
                    $error->getMessage().
                    ' after '.
                    self::readable($text).
                    '). It may have been cut short.',
            );
        }
        if (! is_array($decoded) || ($decoded['format'] ?? null) !== self::FORMAT) {
            throw BadInput::at(
                'format',
                'This is not a Fall Bend job file: format is not '.self::FORMAT,
                is_array($decoded) ? $decoded['format'] ?? null : null,
            );
        }

        return $decoded;
    }

    /**
     * Gives what lays a job out as text: all of its file but what was cut. It is not tried whether it can be read.
     *
     * @throws BadInput if it cannot be put down as a file
     */
    public function laidText(Job $job): string
    {
        return self::encoded(array_diff_key($this->document($job), ['cutting' => null]));
    }

    /**
     * @param array<string, mixed> $document
     *
     * @throws BadInput if it cannot be put down as a file
     */
    private static function encoded(array $document): string
    {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;
        try {
            return json_encode($document, $flags, self::DEPTH);
        } catch (JsonException $error) {
            throw BadInput::at(
                '',
                'This job cannot be written as a file ('.$error->getMessage().'). Nothing was changed.',
            );
        }
    }

    /** @return array<string, mixed> the document, ready to be written as JSON */
    public function document(Job $job): array
    {
        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'name' => $job->name,
            'place' => $job->place,
            'units' => $job->units->value,
            'rulebook' => $job->rulebook,
            ...$job->amendments === null ? [] : ['amendments' => $job->amendments->toArray()],
            ...$job->building->toArray() === [] ? [] : ['building' => $job->building->toArray()],
            ...self::conditions($job->conditions),
            'standing' => array_map(StandingPipeFile::document(...), $job->standing),
            ...$job->singles === []
                ? []
                : ['single_joints' => array_map(SingleJointFile::document(...), $job->singles)],
            'runs' => array_map(fn (Run $run): array => $this->written[$run] ??= RunFile::document($run), $job->runs),
            ...$job->obstacles === [] ? [] : ['obstacles' => array_map(ObstacleFile::document(...), $job->obstacles)],
            ...$job->moves === []
                ? []
                : ['moves' => array_map(static fn (GuidedMove $move): array => $move->toArray(), $job->moves)],
            ...$job->hanging === []
                ? []
                : [
                    'hanging' => array_map(
                        static fn (Hanging $hanging): array => $hanging->toArray(),
                        array_values($job->hanging),
                    ),
                ],
            ...$job->cutting->toArray() === [] ? [] : ['cutting' => $job->cutting->toArray()],
            ...$job->prices === []
                ? []
                : ['prices' => array_map(static fn (Price $price): array => $price->toArray(), $job->prices)],
            'overrides' => self::overrides($job),
            ...$job->nextFigure === 1 ? [] : ['next_figure' => $job->nextFigure],
        ];
    }

    /**
     * Gives legs as a job file holds them.
     *
     * @param list<Leg> $legs
     * @return list<WrittenLeg>
     */
    public function legs(array $legs): array
    {
        return array_map(LegFile::document(...), $legs);
    }

    private static function readable(string $text): string
    {
        $lines = substr_count(rtrim($text), "\n") + 1;

        return $lines === 1 ? '1 line' : "{$lines} lines";
    }

    /** @return array<string, mixed> the weather, where somebody said it */
    private static function conditions(Conditions $conditions): array
    {
        return ! $conditions->isStated ? [] : [
            'conditions' => [
                'air_c' => $conditions->airC,
                'surface_c' => $conditions->surfaceC,
                'rh_percent' => $conditions->humidity,
                'wet' => $conditions->isWet,
            ],
        ];
    }

    /** @return array<string, list<array<string, mixed>>> numbers, thresholds and rows of the job's own */
    private static function overrides(Job $job): array
    {
        return [
            'catalogue' => array_map(
                static fn (CatalogueOverride $o): array => $o->toArray(),
                $job->catalogueOverrides,
            ),
            'rulebook' => array_map(static fn (RulebookOverride $o): array => $o->toArray(), $job->rulebookOverrides),
            'rows' => array_map(static fn (CatalogueAddition $a): array => $a->toArray(), $job->additions),
        ];
    }
}
