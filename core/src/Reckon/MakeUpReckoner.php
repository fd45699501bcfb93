<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\MakeUp\Box;
use FallBend\Core\MakeUp\OpenEnd;
use FallBend\Core\MakeUp\Problem;
use FallBend\Core\MakeUp\Relaxed;
use FallBend\Core\MakeUp\Relaxing;
use FallBend\Core\MakeUp\Search;
use FallBend\Core\MakeUp\SearchResult;
use FallBend\Core\MakeUp\Solution;
use FallBend\Core\MakeUp\SolutionReport;
use FallBend\Core\MakeUp\Turnings;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/**
 * Bends and pieces that lead from one end to another: which, rolled how far, cut how long; or what stands against it.
 */
final readonly class MakeUpReckoner implements Reckoner
{
    private const FAR_MM = 100_000.0;

    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'make-up';
    }

    public function summary(): string
    {
        return 'bends, rolls and cut lengths that lead from one end to another, ranked; or the one condition to relax';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        [$from, $to] = [$this->end($input->child('from'), $catalogue), $this->end($input->child('to'), $catalogue)];
        $system = $catalogue->system($from->system);
        if (! in_array($from->size, $system->sizes(withBends: true), true)) {
            throw BadInput::at(
                'from.size',
                'the catalogue has no bends of it; it has them in '.implode(', ', $system->sizes(withBends: true)),
                $from->size,
            );
        }
        $problem = $this->problem($input, $from, $to, $system, $catalogue);
        $most = $input->has('effort') ? $input->int('effort', 100, 20_000_000) : Search::EFFORT;
        $input->end();
        $found = (new Search($problem, $most, $effort))->run();
        $relaxed = $found->solutions === [] ? (new Relaxing($problem, found: $found, guard: $effort))->all() : [];

        return [
            'solutions' => array_map(
                static fn (Solution $solution): array => SolutionReport::write($solution, $system),
                $found->solutions,
            ),
            'searched' => [
                'sequences' => $found->sequences,
                'max_bends' => $found->bends,
                'exhaustive' => $found->isExhaustive,
            ],
            'relax' => array_map(
                static fn (Relaxed $one): array => [
                    'condition' => $one->condition,
                    'what' => $one->what,
                    'from' => self::inUnitsOfTheQuestion($one->condition, $one->from, $problem),
                    'to' => self::inUnitsOfTheQuestion($one->condition, $one->to, $problem),
                    'solution' => SolutionReport::write($one->solution, $system),
                ],
                $relaxed,
            ),
            'findings' => FindingReport::list($this->findings($problem, $found, $relaxed), Units::Millimetre),
            'sources' => SourceList::list([$system->pipe($from->size)->provenance, ...self::bendSources($found)]),
        ];
    }

    /** @throws BadInput */
    private function end(Fields $fields, Catalogue $catalogue): OpenEnd
    {
        $along = Points::direction($fields, 'along');
        $system = $catalogue->system($fields->choice('system', $catalogue->systemKeys()));
        $end = new OpenEnd(
            Points::read($fields, 'at'),
            $along,
            $system->key,
            $fields->choice('size', $system->sizes()),
            $fields->choice('end', array_map(static fn (EndKind $kind): string => $kind->value, EndKind::cases())),
        );
        $fields->end();

        return $end;
    }

    private function problem(
        Fields $input,
        OpenEnd $from,
        OpenEnd $to,
        PipeSystem $system,
        Catalogue $catalogue,
    ): Problem {
        $pipe = $system->pipe($from->size);
        $fall = $input->childOrNull('fall_mm_per_m');
        [$least, $most] = [$fall?->numberOrNull('least', -1000, 1000), $fall?->numberOrNull('most', 0, 1000)];
        $fall?->end();
        $bends = $input->numbers('bends_deg', 1, 179);
        $turnings = Turnings::list($system, $from->size, $bends);
        if ($turnings === []) {
            throw BadInput::at('bends_deg', 'the catalogue has no such bend in this size', $bends);
        }
        $clearance = $input->numberOrNull('clearance_mm', 0, 10_000) ?? 0.0;

        return new Problem(
            $from,
            $to,
            $turnings,
            $input->has('max_bends') ? $input->int('max_bends', 0, 4) : 3,
            $input->numberOrNull('min_leg_mm', 0, self::FAR_MM) ?? 2 * $pipe->socketDepthMm,
            $input->numberOrNull('play_deg', 0, 3) ?? $catalogue->jointPlay($system)->value,
            $least,
            $most,
            array_map($this->box(...), $input->children('obstacles', 200)),
            $pipe->outsideMm / 2 + $clearance,
            $system->coupling($from->size)->acrossMm ?? 0.0,
            $input->numbers('wall_headings_deg', -360, 360),
        );
    }

    private function box(Fields $fields): Box
    {
        [$a, $b] = [Points::read($fields, 'min'), Points::read($fields, 'max')];
        if ($a->x > $b->x || $a->y > $b->y || $a->z > $b->z) {
            throw BadInput::at($fields->at('max'), 'must not lie below min in any direction', [$b->x, $b->y, $b->z]);
        }
        $box = new Box($a, $b, $fields->stringOr('what', 'what stands in the way', 80));
        $fields->end();

        return $box;
    }

    /** A clearance is asked for from the outside of the pipe. */
    private static function inUnitsOfTheQuestion(string $condition, float $value, Problem $problem): float
    {
        return $condition === 'clearance_mm' || $condition === 'obstacle' ? $value - $problem->radiusMm : $value;
    }

    /**
     * @param list<Relaxed> $relaxed
     * @return list<Finding>
     */
    private function findings(Problem $problem, SearchResult $found, array $relaxed): array
    {
        $findings = [];
        if ($found->solutions === []) {
            // Where not all was tried, there may be a way all the same.
            $findings[] = new Finding(
                $found->isExhaustive ? RuleId::MakeupNone : RuleId::MakeupNotKnown,
                $found->isExhaustive ? Severity::Stop : Severity::Unknown,
                new Where,
                params: ['sequences' => $found->sequences, 'bends' => $found->bends, 'ways' => count($relaxed)],
            );
        }
        if ($problem->from->system === $problem->to->system && $problem->from->size !== $problem->to->size) {
            $findings[] = new Finding(
                RuleId::MakeupSizes,
                Severity::Warn,
                new Where,
                params: ['from' => $problem->from->size, 'to' => $problem->to->size],
            );
        }
        foreach (['from' => $problem->from, 'to' => $problem->to] as $side => $end) {
            $level = sqrt(max(1e-12, 1 - $end->along->z ** 2));
            $fall = (-$end->along->z / $level) * 1000;
            if (
                $problem->fallLeast !== null &&
                $level > M_SQRT1_2 &&
                $fall < $problem->fallLeast - Tolerance::CONVERTED_MM
            ) {
                $findings[] = new Finding(
                    RuleId::MakeupEndFall,
                    Severity::Warn,
                    new Where,
                    $fall,
                    $problem->fallLeast,
                    [
                        'side' => $side === 'from' ? 'first' : 'second',
                        'fall_mm_per_m' => $fall,
                        'least_mm_per_m' => $problem->fallLeast,
                    ],
                );
            }
        }
        if (! $found->isExhaustive && $found->solutions !== []) {
            $findings[] = new Finding(
                RuleId::MakeupNotAll,
                Severity::Note,
                new Where,
                params: ['sequences' => $found->sequences],
            );
        }

        return $findings;
    }

    /** @return list<Provenance> */
    private static function bendSources(SearchResult $found): array
    {
        $sources = [];
        foreach ($found->solutions as $solution) {
            foreach ($solution->bends() as $bend) {
                $sources[$bend->id] = $bend->provenance;
            }
        }

        return array_values($sources);
    }
}
