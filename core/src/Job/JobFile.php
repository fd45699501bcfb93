<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAddition;
use FallBend\Core\Catalog\CatalogueAdditionFile;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Catalog\RulebookOverrideFile;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Joining\Place;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;
use JsonException;
use WeakMap;

/** Reads and writes the job file (docs/job-file.md). Strict: what it does not know it refuses, and says where. */
final readonly class JobFile
{
    public const FORMAT = 'fall-bend-job';

    public const VERSION = 3;

    public const MOST_RUNS = 2_000;

    /** A file is at most so large, when it is read as when it is written. */
    public const MOST_BYTES = 6_000_000;

    /** What stands in a file stands in at most so many others, when it is read as when it is written. */
    private const DEPTH = 64;

    private const MOST_MM = 1_000_000.0;

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
     * Takes a decoded document; gives what is marked on the pipe of every run, with the number of its next leg. The
     * rest is not read.
     *
     * @param array<array-key, mixed> $document
     * @return array<string, array{Marks, int}> by run
     *
     * @throws BadInput if it is of a later version, or the marks are wrong
     */
    public function marks(array $document): array
    {
        $file = Fields::of($document);
        if ($file->int('version', 1, self::VERSION) < self::VERSION) {
            return $this->read($document)->marks();
        }
        $marks = [];
        foreach ($file->children('runs', self::MOST_RUNS) as $run) {
            $nextLeg = $run->has('next_leg') ? $run->int('next_leg', 1, Run::LEGS_END) : 1;
            $marks[self::id($run)] = [MarksFile::read($run->childOrNull('marks')), $nextLeg];
        }

        return $marks;
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
            return $this->read($version === 1 ? JobFileUpgrade::fromV1($document) : JobFileUpgrade::fromV2($document));
        }
        $overrides = $file->childOrNull('overrides') ?? Fields::of([]);
        $rows = $overrides->children('rows', 500);
        $additions = $known->job()->additions ?? CatalogueAdditionFile::list($rows, $this->catalogue);
        $catalogue = $this->catalogue->with([], $additions);
        $standing =
            $known->job() === null
                ? self::each($file, 'standing', 200, (new StandingPipeFile($catalogue))->read(...))
                : self::byId($file, 'standing', $known->job()->standing);
        $runs = [];
        foreach ($file->children('runs', self::MOST_RUNS) as $fields) {
            $run = $known->run($fields->all()) ?? $this->run($fields, $standing);
            if (isset($runs[$run->id])) {
                throw BadInput::at($fields->at('id'), 'stands twice', $run->id);
            }
            $runs[$run->id] = $run;
        }
        self::refuseLooseEnds($file, $runs);
        $obstacles = self::each(
            $file,
            'obstacles',
            2000,
            static fn (Fields $fields, string $id): Obstacle => ObstacleFile::read($fields, $id, $runs),
        );
        $names = array_map(strval(...), array_keys($runs));
        $moves = self::each(
            $file,
            'moves',
            200,
            static fn (Fields $fields, string $id): GuidedMove => GuidedMove::read($fields, $id, $names),
        );
        [$numbers, $thresholds] = [$overrides->children('catalogue', 500), $overrides->children('rulebook', 500)];
        $singles =
            $known->jobOfSingles($document) === null
                ? self::each($file, 'single_joints', 200, (new SingleJointFile($catalogue, $standing))->read(...))
                : self::byId($file, 'single_joints', $known->jobOfSingles($document)->singles);
        $job = new Job(
            self::named($file, 'name', 120),
            $file->stringOr('place', '', 200),
            Units::from($file->choice('units', ['inch', 'mm'])),
            $file->choice('rulebook', $this->catalogue->rulebookKeys()),
            array_values($runs),
            $known->job()->catalogueOverrides ??
                array_map(
                    static fn (Fields $f): CatalogueOverride => CatalogueOverrideFile::read($f, $catalogue),
                    $numbers,
                ),
            $known->job()->rulebookOverrides ??
                array_map(
                    fn (Fields $f): RulebookOverride => RulebookOverrideFile::read($f, $this->catalogue),
                    $thresholds,
                ),
            array_values($standing),
            $additions,
            self::conditions($file->childOrNull('conditions')),
            array_values($singles),
            array_values($obstacles),
            array_values($moves),
            Hanging::ofRuns($file->children('hanging', self::MOST_RUNS), $names),
            $file->has('cutting') ? CuttingDone::read($file->child('cutting'), $names) : new CuttingDone,
            Price::list($file->children('prices', 2000)),
        );
        $overrides->end();
        $file->end();

        return $job;
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
        $text = $this->encoded($job);
        $known = $before === [] ? new KnownParts : new KnownParts($before, $job);
        if ($this->encoded($this->read(self::decoded($text), $known)) !== $text) {
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
     * @return array<array-key, mixed>
     *
     * @throws BadInput if it is damaged, or of another kind
     */
    public static function decoded(string $text): array
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw BadInput::at(
                '',
                'This file is larger than a job can be: at most '.intdiv(self::MOST_BYTES, 1_000_000).' MB.',
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

    /** @throws BadInput if it cannot be put down as a file */
    private function encoded(Job $job): string
    {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;
        try {
            return json_encode($this->document($job), $flags, self::DEPTH);
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
            ...$job->conditions->isStated
                ? [
                    'conditions' => [
                        'air_c' => $job->conditions->airC,
                        'surface_c' => $job->conditions->surfaceC,
                        'rh_percent' => $job->conditions->humidity,
                        'wet' => $job->conditions->isWet,
                    ],
                ]
                : [],
            'standing' => array_map(StandingPipeFile::document(...), $job->standing),
            ...$job->singles === []
                ? []
                : ['single_joints' => array_map(SingleJointFile::document(...), $job->singles)],
            'runs' => array_map($this->runDocument(...), $job->runs),
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
            'overrides' => [
                'catalogue' => array_map(
                    static fn (CatalogueOverride $o): array => $o->toArray(),
                    $job->catalogueOverrides,
                ),
                'rulebook' => array_map(
                    static fn (RulebookOverride $o): array => $o->toArray(),
                    $job->rulebookOverrides,
                ),
                'rows' => array_map(static fn (CatalogueAddition $a): array => $a->toArray(), $job->additions),
            ],
        ];
    }

    /**
     * Takes a list of things with an id each; gives what was read of them by id.
     *
     * @template T
     *
     * @param callable(Fields, string): T $read
     * @return array<string, T>
     *
     * @throws BadInput if an id stands twice
     */
    private static function each(Fields $file, string $key, int $most, callable $read): array
    {
        $things = [];
        foreach ($file->children($key, $most) as $fields) {
            $id = self::id($fields);
            if (isset($things[$id])) {
                throw BadInput::at($fields->at('id'), 'stands twice', $id);
            }
            $things[$id] = $read($fields, $id);
        }

        return $things;
    }

    /**
     * The same of things that were read before.
     *
     * @template T of StandingPipe|SingleJoint
     *
     * @param list<T> $known
     * @return array<string, T>
     */
    private static function byId(Fields $file, string $key, array $known): array
    {
        $file->has($key);
        $byId = [];
        foreach ($known as $thing) {
            $byId[$thing->id] = $thing;
        }

        return $byId;
    }

    private static function conditions(?Fields $fields): Conditions
    {
        if ($fields === null) {
            return new Conditions;
        }
        $conditions = Conditions::read($fields);
        $fields->end();

        return $conditions;
    }

    /** @param array<string, StandingPipe> $standing by id */
    private function run(Fields $fields, array $standing): Run
    {
        $system = $this->catalogue->system($fields->choice('system', $this->catalogue->systemKeys()));
        if (! $system->isLaid()) {
            throw BadInput::at(
                $fields->at('system'),
                'has no bends in the catalogue to lay a run out with; these have: '.
                    implode(', ', $this->catalogue->laidKeys()),
                $system->key,
            );
        }
        $sizes = $system->sizes();
        $legs = [];
        foreach ($fields->children('legs', Run::MOST_LEGS) as $legFields) {
            $leg = LegFile::read($legFields, self::id($legFields), $sizes);
            if (isset($legs['.'.$leg->id])) {
                throw BadInput::at($legFields->at('id'), 'stands twice', $leg->id);
            }
            $legs['.'.$leg->id] = $leg;
        }
        $run = new Run(
            self::id($fields),
            self::named($fields, 'name', 120),
            $system->key,
            $fields->choice('size', $sizes),
            RunUse::from($fields->choice('use', array_column(RunUse::cases(), 'value'))),
            $fields->numberOrNull('fall_mm_per_m', 0, 1000),
            (new EndFile($standing))->read($fields->child('outlet'), End::OUTLETS),
            (new EndFile($standing))->read($fields->child('tie_in'), End::TIE_INS),
            self::levelDifference($fields),
            $fields->numberOrNull('heading_deg', 0, 360) ?? 0.0,
            array_values($legs),
            MarksFile::read($fields->childOrNull('marks')),
            self::nextLeg($fields, array_values($legs)),
            self::place($fields->childOrNull('place')),
        );
        $fields->end();

        return $run;
    }

    /**
     * Gives the number of the next leg: past every leg that is there, whatever the file says.
     *
     * @param list<Leg> $legs
     *
     * @throws BadInput
     */
    private static function nextLeg(Fields $fields, array $legs): int
    {
        $next = $fields->has('next_leg') ? $fields->int('next_leg', 1, Run::LEGS_END) : count($legs) + 1;
        foreach ($legs as $leg) {
            $next = preg_match('/^l(\d{1,7})\z/', $leg->id, $m) === 1 ? max($next, (int) $m[1] + 1) : $next;
        }
        if ($next > Run::LEGS_END) {
            throw BadInput::at($fields->at('next_leg'), 'has no number left for another leg', $next);
        }

        return $next;
    }

    /**
     * Every branch and every continuation names a run that is there.
     *
     * @param array<string, Run> $runs by id
     *
     * @throws BadInput at the field that is wrong
     */
    private static function refuseLooseEnds(Fields $file, array $runs): void
    {
        foreach (array_values($runs) as $i => $run) {
            foreach (['outlet' => $run->outlet, 'tie_in' => $run->tieIn] as $side => $end) {
                [$other, $does] = [$end->branch->run ?? $end->next, $side === 'outlet' ? 'comes from' : 'enters'];
                if ($other !== null && (! isset($runs[$other]) || $other === $run->id)) {
                    throw BadInput::at(
                        $file->at("runs.{$i}.{$side}.".($end->branch === null ? 'run' : 'branch.run')),
                        "{$does} a run that is not there",
                        $other,
                    );
                }
                if (
                    $end->branch !== null &&
                    ! in_array(
                        $end->branch->leg,
                        array_map(static fn (Leg $leg): string => $leg->id, $runs[$end->branch->run]->legs),
                        true,
                    )
                ) {
                    throw BadInput::at(
                        $file->at("runs.{$i}.{$side}.branch.leg"),
                        "{$does} {$runs[$end->branch->run]->name} on a leg that is not there",
                        $end->branch->leg,
                    );
                }
            }
            if ($run->tieIn->kind === RunEndKind::Run && $run->tieIn->next === null) {
                throw BadInput::at($file->at("runs.{$i}.tie_in.run"), 'goes on into no run');
            }
        }
    }

    private static function place(?Fields $fields): Place
    {
        if ($fields === null) {
            return new Place;
        }
        $place = Place::read($fields);
        $fields->end();

        return $place;
    }

    /** @return array<string, mixed> */
    private function runDocument(Run $run): array
    {
        return $this->written[$run] ??= self::given([
            'id' => $run->id,
            'name' => $run->name,
            'system' => $run->system,
            'size' => $run->size,
            'use' => $run->use->value,
            'fall_mm_per_m' => $run->fallMmPerM,
            'place' => ['ground' => $run->place->ground, 'access' => $run->place->access] +
                ($run->place->isAtDrainSewerLine ? ['at_drain_sewer_line' => true] : []),
            'outlet' => EndFile::document($run->outlet),
            'tie_in' => EndFile::document($run->tieIn),
            'level_difference_mm' => $run->levelDifference?->toMm(),
            'heading_deg' => $run->headingDeg,
            'legs' => array_map(LegFile::document(...), $run->legs),
            'next_leg' => $run->nextLeg,
            'marks' => MarksFile::document($run->marks),
        ]);
    }

    /**
     * Gives legs as a job file holds them.
     *
     * @param list<Leg> $legs
     * @return list<array<string, mixed>>
     */
    public function legs(array $legs): array
    {
        return array_map(LegFile::document(...), $legs);
    }

    /**
     * @param array<string, mixed> $fields
     * @return array<string, mixed> without what is null
     */
    private static function given(array $fields): array
    {
        return array_filter($fields, static fn (mixed $value): bool => $value !== null);
    }

    private static function id(Fields $fields): string
    {
        $id = $fields->string('id', 40);

        // Of digits alone it would be a number where it is a key.
        return preg_match('/^(?=.*[a-z])[a-z0-9-]+\z/', $id) === 1
            ? $id
            : throw BadInput::at(
                $fields->at('id'),
                'must be small letters, digits and hyphens, with a letter among them',
                $id,
            );
    }

    private static function named(Fields $fields, string $key, int $most): string
    {
        $name = trim($fields->string($key, $most));

        return $name !== '' ? $name : throw BadInput::at($fields->at($key), 'must not be empty', $name);
    }

    private static function levelDifference(Fields $fields): ?Length
    {
        $mm = $fields->numberOrNull('level_difference_mm', -self::MOST_MM, self::MOST_MM);

        return $mm === null ? null : Length::mm($mm);
    }

    private static function readable(string $text): string
    {
        $lines = substr_count(rtrim($text), "\n") + 1;

        return $lines === 1 ? '1 line' : "{$lines} lines";
    }
}
