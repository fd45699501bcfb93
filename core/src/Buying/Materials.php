<?php

declare(strict_types=1);

namespace FallBend\Core\Buying;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Cutting\RunToCut;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Hanging\HangerKind;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Price;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\StandingPipe;
use FallBend\Core\Joining\CementPlanner;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\Offer;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Layout\EndJoiner;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;

/**
 * All that a job takes, by shelf: pipe, fittings, what its ends take, couplings, what is used up, hangers; and the
 * tools that its joints want. What cannot be said yet stands before all of it.
 *
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type MaterialRow array{
 *     shelf: value-of<self::SHELVES>,
 *     what: string,
 *     maker: string,
 *     size: string,
 *     letters: string,
 *     count: int,
 *     note: string,
 *     price: ?float,
 *     each: ?float,
 *     source: Source|null,
 * }
 */
final class Materials
{
    public const SHELVES = ['left-out', 'pipe', 'fitting', 'end', 'coupling', 'consumable', 'hanger', 'tool', 'along'];

    /** From so many pieces of one pipe on there is a coupling more, for one that is cut short. */
    private const SPARE_FROM = 6;

    /** Pipes of one size whose outsides differ by more than this do not go into each other's fittings. */
    private const TWIN_MM = 0.5;

    /**
     * @var array<string, array{
     *     shelf: value-of<self::SHELVES>,
     *     what: string,
     *     maker: string,
     *     size: string,
     *     letters: string,
     *     count: int,
     *     note: string,
     *     price: ?float,
     *     source: Source|null,
     * }>
     */
    private array $rows = [];

    /** @var array<string, array<string, int>> sockets to cement, by system and size */
    private array $cemented = [];

    /** @var array<string, ?Offer> how pipes are joined as their system is, by system, size and place */
    private array $own = [];

    private readonly EndParts $ends;

    /** @var array<string, true> methods that occur */
    private array $methods = [];

    /**
     * @param ?Effort $effort ends the planning of sticks when time or memory is over
     * @param int $shieldPlates that the runs ask for
     */
    public function __construct(
        private readonly JobLayout $layout,
        private readonly Job $job,
        private readonly Catalogue $catalogue,
        private readonly Rulebook $rulebook,
        private readonly ?Effort $effort = null,
        private readonly int $shieldPlates = 0,
    ) {
        $this->ends = new EndParts;
    }

    /**
     * @return list<array{shelf: string, what: string, maker: string, size: string, letters: string, count: int,
     *     note: string, price: ?float, each: ?float, source: ?array<string, string>}> by shelf, size and name; `price`
     *     of all of them together, `each` of one
     */
    public function rows(): array
    {
        [$this->rows, $this->cemented, $this->methods] = [[], [], []];
        $this->pipes();
        foreach ($this->layout->runs as $run) {
            foreach ($run->fittings as $fitting) {
                if (! $fitting->stands) {
                    $this->part($fitting->part, $run->system);
                }
            }
            foreach (self::joined($run) as $joint) {
                $this->cemented[$run->system->key][$joint->size] =
                    ($this->cemented[$run->system->key][$joint->size] ?? 0) + 1;
            }
            foreach (JointRegister::entries($run) as $entry) {
                $this->methods[$entry['method'] ?? ''] = true;
            }
            foreach ([$run->site->outlet, $run->site->tieIn] as $end) {
                $this->offer($end?->offer);
            }
            $this->ownJoints($run);
            $this->endsOf($run);
            $this->leftOut($run);
            $this->hangers($run->run->id);
        }
        $this->spares();
        if ($this->shieldPlates > 0) {
            $note = 'where pipe is near the face of a stud or plate';
            $this->add('hanger', 'shield plate', '', '', '', $this->shieldPlates, $note, null, null);
        }
        $this->singles();
        $this->cement();
        $this->tools();
        $shelf = array_flip(self::SHELVES);
        $rows = array_values($this->rows);
        $each = array_combine(
            array_map(static fn (Price $price): string => $price->key(), $this->job->prices),
            array_column($this->job->prices, 'each'),
        );
        foreach ($rows as $n => $row) {
            $kept = $each[Price::keyOf($row['what'], $row['size'], $row['letters'])] ?? null;
            // What the crew says of its sticks goes before.
            $rows[$n]['each'] = $row['price'] !== null ? $row['price'] / $row['count'] : $kept;
            $rows[$n]['price'] ??= $kept === null ? null : $kept * $row['count'];
        }
        usort(
            $rows,
            static fn (array $a, array $b): int => [$shelf[$a['shelf']], $a['letters'], $a['size'], $a['what']] <=> [
                $shelf[$b['shelf']],
                $b['letters'],
                $b['size'],
                $b['what'],
            ],
        );

        return $rows;
    }

    /** Sticks as they are planned, each length by itself; a size that stands or runs in another outside too says so. */
    private function pipes(): void
    {
        $units = $this->job->units;
        $cutting = new JobCutting(
            RunToCut::ofJob($this->layout),
            $this->job,
            $this->catalogue,
            $this->effort,
        );
        foreach ($cutting->plans() as ['system' => $key, 'size' => $size, 'stock' => $stock, 'plan' => $plan]) {
            $system = $this->catalogue->system($key);
            foreach ($plan->sticks as $stick) {
                $from = $stock[$stick->stock];
                $said = (new Tape)->long($from->soldMm(), $units);
                $hubs = $from->hubsInWords();
                $this->add(
                    'pipe',
                    "{$system->short}, {$said}".($hubs === '' ? '' : ", {$hubs}"),
                    $system->name,
                    $size,
                    $system->letters,
                    1,
                    $this->twin($system, $size),
                    $from->price,
                    $system->pipe($size)->provenance,
                );
            }
        }
    }

    private function twin(PipeSystem $system, string $size): string
    {
        $mine = $system->pipe($size)->outsideMm;
        $others = [
            ...array_map(
                static fn ($run): array => [$run->system->key, $run->run->size],
                array_values($this->layout->runs),
            ),
            ...array_map(static fn ($pipe): array => [$pipe->system ?? '', $pipe->size ?? ''], $this->job->standing),
        ];
        foreach ($others as [$key, $other]) {
            if (
                $other !== $size ||
                $key === '' ||
                $key === $system->key ||
                ! in_array($size, $this->catalogue->system($key)->sizes(), true)
            ) {
                continue;
            }
            $theirs = $this->catalogue->system($key)->pipe($size)->outsideMm;
            if (abs($theirs - $mine) > self::TWIN_MM) {
                $said = new Phrasing($this->job->units);

                return sprintf(
                    'not the %s of %s: %s and %s outside',
                    $size,
                    $this->catalogue->system($key)->letters,
                    $said->diameter($mine),
                    $said->diameter($theirs),
                );
            }
        }

        return '';
    }

    private function part(Bend|StraightFitting|Branch $part, PipeSystem $system, string $note = ''): void
    {
        $this->add(
            'fitting',
            $part->name,
            $part->makerName,
            $part->sizeInWords(),
            $system->letters,
            1,
            $note,
            null,
            $part->provenance,
        );
    }

    /** What the two ends of a run take beside their joints, in the size of the leg that they stand at. */
    private function endsOf(RunLayout $run): void
    {
        [$first, $last] = $run->run->endSizes();
        foreach ([[$run->run->outlet, $first], [$run->run->tieIn, $last]] as [$end, $size]) {
            foreach ($this->ends->of($end, $run->system->region) as $part) {
                $this->add(
                    $part['shelf'],
                    $part['what'],
                    '',
                    $part['sized'] ? $size : '',
                    '',
                    $part['count'],
                    $part['note'],
                    null,
                    $part['source'],
                );
            }
        }
    }

    /** What of a run is on no other shelf, because it is not known yet. */
    private function leftOut(RunLayout $run): void
    {
        foreach ($run->pieces as $piece) {
            if (! $piece->isCutKnown) {
                $note = 'its length is not known: see what stands at its end';
                $what = "pipe for piece {$piece->letter}";
                $this->add('left-out', $what, '', $piece->size, $run->system->letters, 1, $note, null, null);
            }
        }
        $entries = JointRegister::entries($run);
        foreach ($run->joints as $joint) {
            $state = $entries[$joint->key]['state'];
            if (in_array($state, ['unknown', 'none', 'refused'], true)) {
                $note = $state === 'unknown' ? 'what stands there is not identified' : 'no way to join it is chosen';
                $what = "what joins {$joint->mark}, {$entries[$joint->key]['name']}";
                $this->add('left-out', $what, '', $joint->size, $run->system->letters, 1, $note, null, null);
            }
        }
        if (! $run->isWhole()) {
            $what = "the rest of {$run->run->name}";
            $this->add('left-out', $what, '', '', '', 1, 'it is not called out to its end', null, null);
        }
    }

    /** A coupling more of every pipe of which many pieces are cut. */
    private function spares(): void
    {
        $pieces = [];
        foreach ($this->layout->runs as $run) {
            foreach ($run->pieces as $piece) {
                $pieces[$run->system->key][$piece->size] = ($pieces[$run->system->key][$piece->size] ?? 0) + 1;
            }
        }
        foreach ($pieces as $key => $sizes) {
            $system = $this->catalogue->system($key);
            // A size such as 2 is a number as a key.
            foreach (array_map(strval(...), array_keys($sizes)) as $size) {
                $coupling = $sizes[$size] < self::SPARE_FROM ? null : $system->coupling($size);
                if ($coupling !== null) {
                    $this->part($coupling, $system, '1 of them spare: for a piece that is cut short');
                }
            }
        }
    }

    private function offer(?Offer $offer): void
    {
        foreach ($offer->parts ?? [] as $part) {
            if ($part instanceof Coupling || ($part instanceof Part && $part->isBought())) {
                $lead = $part instanceof Part ? $part->leadInWords($this->job->units) : null;
                $this->add(
                    'coupling',
                    $part->name,
                    $part->makerName,
                    $part->size,
                    '',
                    1,
                    $lead === null ? '' : "{$lead} of lead to each",
                    null,
                    $part->provenance,
                );
            }
        }
    }

    /**
     * What goes over the joints of a run that are made as its system is: a band for each of hubless iron, a gasket for
     * each hub; cement needs nothing.
     */
    private function ownJoints(RunLayout $run): void
    {
        $method = Method::tryFrom($run->system->ownJoint ?? '');
        if ($method === null || $method->isCement()) {
            return;
        }
        $joiner = new EndJoiner($this->catalogue);
        $met = ['outlet' => $run->site->outlet, 'tie-in' => $run->site->tieIn];
        foreach (self::joined($run) as $joint) {
            // Where one run goes on into another the joint is that of the upper one.
            if (
                ($met[$joint->key] ?? null) === null &&
                ! ($joint->key === 'outlet' && $run->run->outlet->kind === RunEndKind::Run)
            ) {
                $this->offer($this->ownOffer($run, $joint->size, $method, $joiner));
            }
        }
    }

    /** @return list<Joint> without the ends that stand open, over a roof or a gully: nothing is joined to them */
    private static function joined(RunLayout $run): array
    {
        $open = [RunEndKind::Roof, RunEndKind::Gully];
        $ends = [
            ...in_array($run->run->outlet->kind, $open, true) ? ['outlet'] : [],
            ...in_array($run->run->tieIn->kind, $open, true) ? ['tie-in'] : [],
        ];

        return array_values(
            array_filter($run->joints, static fn (Joint $joint): bool => ! in_array($joint->key, $ends, true)),
        );
    }

    private function ownOffer(RunLayout $run, string $size, Method $method, EndJoiner $joiner): ?Offer
    {
        $key = "{$run->system->key} {$size} {$run->run->place->ground} {$run->run->place->access}";
        if (! array_key_exists($key, $this->own)) {
            [$ours, $theirs] = [
                PipeEnd::of($run->system, $size, EndKind::Plain),
                PipeEnd::of($run->system, $size, EndJoiner::ownKind($run->system->ownJoint)),
            ];
            $this->own[$key] = $joiner->between($ours, $theirs, $run->run->place, $this->rulebook)->offer($method);
        }

        return $this->own[$key];
    }

    private function singles(): void
    {
        $joiner = new EndJoiner($this->catalogue);
        foreach ($this->job->singles as $single) {
            $offer = JointRegister::offerOf($single, $this->job, $joiner, $this->rulebook);
            $this->methods[$offer->method->value ?? ''] = true;
            $this->offer($offer);
            [$ours, $theirs] = [$joiner->single($single->a, $this->job), $joiner->single($single->b, $this->job)];
            $pipe = $ours === null || $theirs === null ? null : $offer?->cemented($ours, $theirs);
            if ($pipe !== null) {
                $this->cemented[$pipe->system->key][$pipe->pipe->size] =
                    ($this->cemented[$pipe->system->key][$pipe->pipe->size] ?? 0) + 1;
            }
        }
    }

    /** What is bought for a kind of hanger. */
    private static function bought(HangerKind $kind): string
    {
        return match ($kind) {
            HangerKind::Joist, HangerKind::Batten, HangerKind::Hanger => 'hanger',
            HangerKind::Stud, HangerKind::Blocking, HangerKind::Bracket => 'bracket',
            HangerKind::Clamp => 'riser clamp',
            HangerKind::Guide => 'guide, loose round the pipe',
        };
    }

    private function hangers(string $run): void
    {
        $layout = $this->layout->runs[$run];
        $hanging = new RunHanging($layout, $this->job, $this->catalogue, $this->rulebook);
        $hangers = $hanging->places();
        foreach ($hangers as $hanger) {
            $this->add(
                'hanger',
                self::bought($hanger->kind),
                '',
                $layout->legs[$hanger->leg]->line->size,
                '',
                1,
                '',
                null,
                null,
            );
        }
        if ($hangers !== []) {
            $screws = $this->catalogue->assumption('screws-per-hanger');
            $this->add(
                'hanger',
                'screws for hangers',
                '',
                '',
                '',
                (int) round($screws->value * count($hangers)),
                "{$screws->value} to each",
                null,
                $screws->provenance,
            );
        }
        [$allowances, $braces] = $hanging->furtherParts($hangers);
        if ($allowances > 0) {
            $this->add(
                'coupling',
                'expansion joint',
                '',
                $layout->run->size,
                $layout->system->letters,
                $allowances,
                'or an offset in its place',
                null,
                null,
            );
        }
        if ($braces > 0) {
            $this->add(
                'hanger',
                'brace against sway',
                '',
                $layout->run->size,
                '',
                $braces,
                'rigid, or a strap to each side',
                null,
                null,
            );
        }
    }

    /**
     * Cans of cement and primer for the sockets that are cemented: whole ones, of the size that the crew's units go
     * with.
     */
    private function cement(): void
    {
        $planner = new CementPlanner($this->catalogue);
        $can = $this->job->units === Units::Inch ? 'pint' : 'litre';
        foreach ($this->cemented as $key => $sizes) {
            $system = $this->catalogue->system($key);
            if (! str_starts_with($system->ownJoint ?? '', 'solvent-')) {
                continue;
            }
            [$cans, $joints, $source] = [0.0, 0, null];
            // A size such as 2 is a number as a key.
            $names = array_map(strval(...), array_keys($sizes));
            foreach ($names as $size) {
                $count = $sizes[$size];
                $of = $planner->cans((float) $count, $system->pipe($size));
                $cans += $of[$can] ?? 0.0;
                $joints += $count;
                $source = $of['provenance'] ?? $source;
            }
            $plan = $planner->plan($system, $system, $system->pipe($names[0]), $this->rulebook, $this->job->conditions);
            if ($plan->cement !== null) {
                $this->add(
                    'consumable',
                    "{$plan->cement['name']}, {$can}",
                    $plan->cement['standard'],
                    '',
                    $system->letters,
                    (int) ceil($cans - Tolerance::ROUNDING),
                    "{$joints} sockets",
                    null,
                    $source,
                );
            }
            if ($plan->primer !== null) {
                $this->add(
                    'consumable',
                    "{$plan->primer['name']}, {$can}",
                    $plan->primer['standard'],
                    '',
                    $system->letters,
                    (int) ceil($cans / $planner->primerYield() - Tolerance::ROUNDING),
                    "{$joints} sockets",
                    null,
                    $plan->primer['provenance'],
                );
            }
        }
    }

    /** Tools by the methods that want them; what is taken along beside by what the job is. */
    private function tools(): void
    {
        $occasions = $this->occasions();
        foreach ($this->catalogue->tools() as $tool) {
            if (
                array_intersect_key($this->methods, array_flip($tool['methods'])) !== [] ||
                array_intersect($tool['when'], $occasions) !== []
            ) {
                $this->add($tool['shelf'], $tool['name'], '', '', '', 1, $tool['note'], null, $tool['provenance']);
            }
        }
        foreach ($this->job->standing as $pipe) {
            $size = $pipe->size ?? '';
            $note = $size === '' ? 'its size is not known: measure it first' : 'no gas comes out, and nothing falls in';
            $plug = 'plug or lid for an open end while it is worked on';
            $this->add('along', $plug, '', $size, '', 1, $note, null, null);
        }
    }

    /**
     * What the job is, as far as something is taken along for it.
     *
     * @return list<'always'|'standing'|'laid'|'hung'|'buried'|'through'|'cement'|'iron'|'flame'>
     */
    private function occasions(): array
    {
        $occasions = ['always', ...$this->job->standing === [] ? [] : ['standing']];
        foreach ($this->layout->runs as $run) {
            $isBuried = $run->run->place->ground === 'buried';
            $occasions = [...$occasions, 'laid', $isBuried ? 'buried' : 'hung'];
        }
        $materials = [
            ...array_map(
                static fn (RunLayout $run): string => $run->system->material,
                array_values($this->layout->runs),
            ),
            ...array_map(
                fn (StandingPipe $pipe): string => $pipe->system === null
                    ? ''
                    : $this->catalogue->system($pipe->system)->material,
                $this->job->standing,
            ),
        ];
        foreach (array_keys($this->methods) as $method) {
            $known = Method::tryFrom($method);
            $occasions = [
                ...$occasions,
                ...$known?->isCement() === true ? ['cement'] : [],
                ...$known === Method::SolderedDrainage ? ['flame'] : [],
            ];
        }

        return [
            ...$occasions,
            ...in_array('iron', $materials, true) ? ['iron'] : [],
            ...$this->job->obstacles === [] ? [] : ['through'],
        ];
    }

    /** @param value-of<self::SHELVES> $shelf */
    private function add(
        string $shelf,
        string $what,
        string $maker,
        string $size,
        string $letters,
        int $count,
        string $note,
        ?float $price,
        ?Provenance $source,
    ): void {
        $key = "{$shelf}|{$what}|{$size}|{$letters}";
        $this->rows[$key] ??= [
            'shelf' => $shelf,
            'what' => $what,
            'maker' => $maker,
            'size' => $size,
            'letters' => $letters,
            'count' => 0,
            'note' => $note,
            'price' => null,
            'source' => $source?->toArray(),
        ];
        $this->rows[$key]['count'] += $count;
        if ($this->rows[$key]['note'] === '') {
            $this->rows[$key]['note'] = $note;
        }
        if ($price !== null) {
            $this->rows[$key]['price'] = ($this->rows[$key]['price'] ?? 0.0) + $price * $count;
        }
    }
}
