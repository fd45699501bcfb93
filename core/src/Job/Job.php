<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Amendments;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAddition;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Measure\Units;

/** A whole job, as one document. */
final readonly class Job
{
    /**
     * @param list<Run> $runs
     * @param list<CatalogueOverride> $catalogueOverrides
     * @param list<RulebookOverride> $rulebookOverrides
     * @param list<StandingPipe> $standing
     * @param list<CatalogueAddition> $additions rows of one's own
     * @param list<SingleJoint> $singles joints outside the runs
     * @param list<Obstacle> $obstacles what the runs go through or past
     * @param list<GuidedMove> $moves what was measured for making up
     * @param array<string, Hanging> $hanging how runs are hung, by id of the run
     * @param list<Price> $prices that the crew keeps
     * @param OnSite $site what was done of it: no part of the document, it stands in the log of the job
     * @param Building $building what the books ask of the building that it stands in
     * @param ?Amendments $amendments what is otherwise where it stands than in its book; null: nothing
     * @param int $nextFigure the figure that the marks of the next new run have before them
     */
    public function __construct(
        public string $name,
        public string $place,
        public Units $units,
        public string $rulebook,
        public array $runs,
        public array $catalogueOverrides,
        public array $rulebookOverrides,
        public array $standing = [],
        public array $additions = [],
        public Conditions $conditions = new Conditions,
        public array $singles = [],
        public array $obstacles = [],
        public array $moves = [],
        public array $hanging = [],
        public CuttingSettings $cutting = new CuttingSettings,
        public array $prices = [],
        public OnSite $site = new OnSite,
        public int $nextFigure = 1,
        public Building $building = new Building,
        public ?Amendments $amendments = null,
    ) {}

    /** The job with one run in place of the run of the same id. */
    public function withRun(Run $run): self
    {
        return $this->withRuns(array_map(static fn (Run $old): Run => $old->id === $run->id ? $run : $old, $this->runs));
    }

    /** @param list<Run> $runs */
    public function withRuns(array $runs): self
    {
        return $this->with($runs);
    }

    /** @param list<Obstacle> $obstacles */
    public function withObstacles(array $obstacles): self
    {
        return $this->with(obstacles: $obstacles);
    }

    /** The same job, judged by another book, and what is amended in that; null: nothing. */
    public function under(string $rulebook, ?Amendments $amendments = null): self
    {
        return $this->with(rulebook: $rulebook, amendments: $amendments);
    }

    /** The job with what was done of it on site. */
    public function onSite(OnSite $site): self
    {
        return $this->with(site: $site);
    }

    /**
     * @param list<Run>|null $runs
     * @param list<Obstacle>|null $obstacles
     */
    private function with(
        ?array $runs = null,
        ?array $obstacles = null,
        ?OnSite $site = null,
        ?int $nextFigure = null,
        ?string $rulebook = null,
        ?Amendments $amendments = null,
    ): self {
        return new self(
            $this->name,
            $this->place,
            $this->units,
            $rulebook ?? $this->rulebook,
            $runs ?? $this->runs,
            $this->catalogueOverrides,
            $this->rulebookOverrides,
            $this->standing,
            $this->additions,
            $this->conditions,
            $this->singles,
            $obstacles ?? $this->obstacles,
            $this->moves,
            $this->hanging,
            $this->cutting,
            $this->prices,
            $site ?? $this->site,
            $nextFigure ?? $this->nextFigure,
            $this->building,
            // What is amended in one book is not so in another.
            $amendments ?? ($rulebook === null ? $this->amendments : null),
        );
    }

    /** Gives the standing pipe of that id, or null. */
    public function standingPipe(?string $id): ?StandingPipe
    {
        foreach ($this->standing as $pipe) {
            if ($pipe->id === $id) {
                return $pipe;
            }
        }

        return null;
    }

    /** Gives the catalogue with the crew's numbers and rows over it, and the job's own over those. */
    public function catalogue(Catalogue $catalogue, OwnNumbers $own = new OwnNumbers): Catalogue
    {
        return $catalogue->with(
            [...$own->catalogue, ...$this->catalogueOverrides],
            [...$this->besides($own), ...$this->additions],
        );
    }

    /**
     * @return list<CatalogueAddition> the rows of a crew, but for those that the job has of its own under the same id
     */
    private function besides(OwnNumbers $own): array
    {
        $place = static fn (CatalogueAddition $row): string => "{$row->table} {$row->id()}";
        $mine = array_flip(array_map($place, $this->additions));

        return array_values(
            array_filter($own->additions, static fn (CatalogueAddition $row): bool => ! isset($mine[$place($row)])),
        );
    }

    /**
     * Gives the rulebook of the job with the crew's thresholds in it, what is amended where it stands over those, and
     * the job's own over all.
     */
    public function book(Catalogue $catalogue, OwnNumbers $own = new OwnNumbers): Rulebook
    {
        $book = $catalogue->rulebook($this->rulebook)->with($own->rulebook);
        $amended =
            $this->amendments === null
                ? $book
                : $book->amended($this->amendments->name, $this->amendments->overrides());

        return $amended->with($this->rulebookOverrides);
    }

    /**
     * The job with those of a crew's numbers and rows in it that its evaluation rests on, so that it says the same to
     * others.
     *
     * @param list<string> $used table and row of every source, as `table row`
     */
    public function carrying(OwnNumbers $own, array $used): self
    {
        $isUsed = static fn (string $table, mixed $row): bool => is_string($row) &&
            in_array("{$table} {$row}", $used, true);

        return new self(
            $this->name,
            $this->place,
            $this->units,
            $this->rulebook,
            $this->runs,
            [
                ...array_values(
                    array_filter($own->catalogue, static fn (CatalogueOverride $o): bool => $isUsed($o->table, $o->row)),
                ),
                ...$this->catalogueOverrides,
            ],
            [
                ...array_values(
                    array_filter(
                        $own->rulebook,
                        static fn (RulebookOverride $o): bool => $isUsed($o->rulebook, $o->threshold),
                    ),
                ),
                ...$this->rulebookOverrides,
            ],
            $this->standing,
            [
                ...array_values(
                    array_filter(
                        $this->besides($own),
                        static fn (CatalogueAddition $a): bool => $isUsed($a->table, $a->id()),
                    ),
                ),
                ...$this->additions,
            ],
            $this->conditions,
            $this->singles,
            $this->obstacles,
            $this->moves,
            $this->hanging,
            $this->cutting,
            $this->prices,
            $this->site,
            $this->nextFigure,
            $this->building,
            $this->amendments,
        );
    }

    /**
     * Gives the ids that a new run must not have: those of the job, and those of runs that are gone and that its log
     * still speaks of. What was cut of one would be taken for cut of the other.
     *
     * @return list<string>
     */
    public function takenRunIds(): array
    {
        $ids = array_map(static fn (Run $run): string => $run->id, $this->runs);

        return [...$ids, ...array_values(array_diff($this->site->runs, $ids))];
    }

    /** Gives the run of that id, or null. */
    public function run(string $id): ?Run
    {
        foreach ($this->runs as $run) {
            if ($run->id === $id) {
                return $run;
            }
        }

        return null;
    }

    /**
     * @return array<string, array{Marks, int}> what is marked on the pipe of every run, with the number of its next leg
     */
    public function marks(): array
    {
        $marks = [];
        foreach ($this->runs as $run) {
            $marks[$run->id] = [$run->marks, $run->nextLeg];
        }

        return $marks;
    }

    /**
     * The job with the marks of the state of it that is kept, which stand on the pipe, and those of its own besides.
     *
     * @param array<string, array{Marks, int}> $kept of the newest state that is kept, by run; the plan of this one may
     *     be older or newer
     */
    public function keepingMarks(array $kept): self
    {
        return $this->withRuns(
            array_map(static function (Run $run) use ($kept): Run {
                [$marks, $nextLeg] = $kept[$run->id] ?? [null, 0];

                return $marks === null
                    ? $run
                    : $run->withMarks($marks->joined($run->marks))->withLegs($run->legs, max($run->nextLeg, $nextLeg));
            }, $this->runs),
        );
    }

    /** @return array<string, int> the figures of the runs that have one, by id */
    public function figures(): array
    {
        $figures = [];
        foreach ($this->runs as $run) {
            $figures[$run->id] = $run->marks->figure;
        }

        return array_filter($figures, static fn (int $figure): bool => $figure > 0);
    }

    /**
     * The job where every run on which nothing is marked yet has a figure that no other has and none had before. A run
     * that was marked without one keeps its marks as they are.
     *
     * @param array<string, int> $kept figures of the newest state that is kept, by run: those stay
     * @param int $next the next figure of that state
     *
     * @throws BadInput if there is no figure left
     */
    public function figured(array $kept = [], int $next = 1): self
    {
        $taken = array_flip($kept);
        $given = [...array_values($kept), ...array_values($this->figures())];
        $next = 1 + max($next - 1, $this->nextFigure - 1, 0, ...$given);
        [$runs, $isSame] = [[], true];
        foreach ($this->runs as $run) {
            $figure = $kept[$run->id] ?? $run->marks->figure;
            if (! isset($kept[$run->id])) {
                if ($figure > 0 ? isset($taken[$figure]) : $run->marks->isEmpty()) {
                    $figure = $next++;
                }
                $taken[$figure] = $run->id;
            }
            $isSame = $isSame && $figure === $run->marks->figure;
            $runs[] = $figure === $run->marks->figure ? $run : $run->withMarks($run->marks->withFigure($figure));
        }
        if ($next > Marks::FIGURES_END) {
            throw BadInput::at('runs', 'All figures for runs are used up. Start another job for what is new.');
        }

        return $isSame && $next === $this->nextFigure ? $this : $this->with($runs, nextFigure: $next);
    }

    /**
     * The job where runs that were marked without a figure have one, but for those that the log speaks of: what is cut,
     * printed or joined keeps what is written on it.
     *
     * @param list<string> $spoken ids of the runs that the log speaks of
     */
    public function remarked(array $spoken): self
    {
        $next = 1 + max($this->nextFigure - 1, 0, ...array_values($this->figures()));
        [$runs, $isSame] = [[], true];
        foreach ($this->runs as $run) {
            $isToMark = $run->marks->figure === 0 && ! in_array($run->id, $spoken, true);
            $isSame = $isSame && ! $isToMark;
            $runs[] = $isToMark ? $run->withMarks($run->marks->withFigure($next++)) : $run;
        }

        return $isSame ? $this->figured() : $this->with($runs, nextFigure: $next)->figured();
    }
}
