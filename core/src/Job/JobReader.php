<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Amendments;
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
use FallBend\Core\Measure\Units;

/** Reads a document of the newest version, list by list, in the order in which they rest on each other. */
final readonly class JobReader
{
    public const MOST_RUNS = Run::MOST;

    private Fields $overrides;

    /** @var list<CatalogueAddition> */
    private array $additions;

    /** The tables with the rows that the job adds. */
    private Catalogue $mine;

    /**
     * @param KnownParts $known what of it was read before
     *
     * @throws BadInput
     */
    public function __construct(private Catalogue $catalogue, private Fields $file, private KnownParts $known)
    {
        $this->overrides = $file->childOrNull('overrides') ?? Fields::of([]);
        $rows = $this->overrides->children('rows', 500);
        $this->additions = $known->job()->additions ?? CatalogueAdditionFile::list($rows, $catalogue);
        $this->mine = $catalogue->with([], $this->additions);
    }

    /**
     * Gives the job.
     *
     * @throws BadInput at the field that is wrong
     */
    public function read(): Job
    {
        $standing = $this->standing();
        $runs = $this->runs($standing);
        $names = array_map(strval(...), array_keys($runs));
        $file = $this->file;
        $job = new Job(
            Named::name($file, 'name', 120),
            $file->stringOr('place', '', 200),
            Units::from($file->choice('units', ['inch', 'mm'])),
            $file->choice('rulebook', $this->catalogue->rulebookKeys()),
            array_values($runs),
            $this->numbers(),
            $this->thresholds(),
            array_values($standing),
            $this->additions,
            self::conditions($file->childOrNull('conditions')),
            $this->singles($standing),
            $this->obstacles($runs),
            $this->moves($names),
            Hanging::ofRuns($file->children('hanging', self::MOST_RUNS), $names),
            $file->has('cutting') ? CuttingSettings::read($file->child('cutting')) : new CuttingSettings,
            Price::list($file->children('prices', 2000)),
            nextFigure: $file->has('next_figure') ? $file->int('next_figure', 1, Marks::FIGURES_END) : 1,
            amendments: self::amendments($file, $this->catalogue),
            building: $file->has('building') ? Building::read($file->child('building')) : new Building,
        );
        $this->overrides->end();
        $file->end();

        return $job;
    }

    /** @return array<string, StandingPipe> by id */
    private function standing(): array
    {
        return $this->known->job() === null
            ? self::each($this->file, 'standing', 200, (new StandingPipeFile($this->mine))->read(...))
            : self::byId($this->file, 'standing', $this->known->job()->standing);
    }

    /**
     * @param array<string, StandingPipe> $standing by id
     * @return array<string, Run> by id
     */
    private function runs(array $standing): array
    {
        $reader = new RunFile($this->catalogue);
        $runs = [];
        foreach ($this->file->children('runs', self::MOST_RUNS) as $fields) {
            $run = $this->known->run($fields->all()) ?? $reader->read($fields, $standing);
            if (isset($runs[$run->id])) {
                throw BadInput::at($fields->at('id'), 'stands twice', $run->id);
            }
            $runs[$run->id] = $run;
        }
        foreach (array_values($runs) as $i => $run) {
            self::refuseLooseEnd("runs.{$i}.outlet", $run->outlet, $run, $runs);
            self::refuseLooseEnd("runs.{$i}.tie_in", $run->tieIn, $run, $runs);
            if ($run->tieIn->kind === RunEndKind::Run && $run->tieIn->next === null) {
                throw BadInput::at($this->file->at("runs.{$i}.tie_in.run"), 'goes on into no run');
            }
        }

        return $runs;
    }

    /**
     * A branch or a continuation names a run that is there.
     *
     * @param array<string, Run> $runs by id
     *
     * @throws BadInput at the field that is wrong
     */
    private static function refuseLooseEnd(string $at, End $end, Run $run, array $runs): void
    {
        [$other, $does] = [$end->branch->run ?? $end->next, $end === $run->outlet ? 'comes from' : 'enters'];
        if ($other !== null && (! isset($runs[$other]) || $other === $run->id)) {
            $field = $end->branch === null ? 'run' : 'branch.run';
            throw BadInput::at("{$at}.{$field}", "{$does} a run that is not there", $other);
        }
        if ($end->branch === null) {
            return;
        }
        $legs = array_map(static fn (Leg $leg): string => $leg->id, $runs[$end->branch->run]->legs);
        if (! in_array($end->branch->leg, $legs, true)) {
            $name = $runs[$end->branch->run]->name;
            throw BadInput::at("{$at}.branch.leg", "{$does} {$name} on a leg that is not there", $end->branch->leg);
        }
    }

    /** @return list<CatalogueOverride> */
    private function numbers(): array
    {
        $fields = $this->overrides->children('catalogue', 500);
        $read = fn (Fields $f): CatalogueOverride => CatalogueOverrideFile::read($f, $this->mine);

        return $this->known->job()->catalogueOverrides ?? array_map($read, $fields);
    }

    /** @return list<RulebookOverride> */
    private function thresholds(): array
    {
        $fields = $this->overrides->children('rulebook', 500);
        $read = fn (Fields $f): RulebookOverride => RulebookOverrideFile::read($f, $this->catalogue);

        return $this->known->job()->rulebookOverrides ?? array_map($read, $fields);
    }

    /**
     * @param array<string, StandingPipe> $standing by id
     * @return list<SingleJoint>
     */
    private function singles(array $standing): array
    {
        $job = $this->known->jobOfSingles($this->file->all());
        $reader = new SingleJointFile($this->mine, $standing);

        return array_values(
            $job === null
                ? self::each($this->file, 'single_joints', 200, $reader->read(...))
                : self::byId($this->file, 'single_joints', $job->singles),
        );
    }

    /**
     * @param array<string, Run> $runs by id
     * @return list<Obstacle>
     */
    private function obstacles(array $runs): array
    {
        $read = static fn (Fields $fields, string $id): Obstacle => ObstacleFile::read($fields, $id, $runs);

        return array_values(self::each($this->file, 'obstacles', 2000, $read));
    }

    /**
     * @param list<string> $runs ids
     * @return list<GuidedMove>
     */
    private function moves(array $runs): array
    {
        $read = static fn (Fields $fields, string $id): GuidedMove => GuidedMove::read($fields, $id, $runs);

        return array_values(self::each($this->file, 'moves', 200, $read));
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
            $id = Named::id($fields);
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

    /** @throws BadInput if they are made to another book than the job's */
    private static function amendments(Fields $file, Catalogue $catalogue): ?Amendments
    {
        $fields = $file->childOrNull('amendments');
        $amendments = $fields === null ? null : Amendments::read($fields, $catalogue);
        if ($amendments !== null && $amendments->rulebook !== $file->string('rulebook')) {
            throw BadInput::at('amendments.rulebook', 'is not the book of the job', $amendments->rulebook);
        }

        return $amendments;
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
}
