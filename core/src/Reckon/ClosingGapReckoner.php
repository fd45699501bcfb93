<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\MakeUp\ClosingGap;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Errors of reading and cutting through a chain of lengths, and what its fittings may be off: how far off its last
 * joint may lie, the chance that it closes, and which joint should be last.
 */
final readonly class ClosingGapReckoner implements Reckoner
{
    /** A chain that closes in fewer cases than this is worth another way of closing it. */
    private const LIKELY = 0.95;

    public function name(): string
    {
        return 'closing-gap';
    }

    public function summary(): string
    {
        return 'errors of reading and cutting through a chain, the chance that its last joint closes, and which joint should be last';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $isUniform = $input->choice('distribution', ['uniform', 'normal']) === 'uniform';
        [$errors, $doubts] = [[], []];
        $links = $input->children('chain', 200);
        foreach ($links as $link) {
            $link->stringOr('what', '', 80);
            $link->number('length_mm', 0, 1_000_000);
            array_push($errors, $link->number('reading_mm', 0, 100), $link->number('cutting_mm', 0, 100));
            $doubts[] = $link->numberOrNull('doubt_mm', 0, 100) ?? 0.0;
            $link->end();
        }
        $shared = $input->numberOrNull('shared_mm', 0, 100) ?? 0.0;
        $gap = $isUniform
            ? ClosingGap::of([...$errors, ...$doubts], [], $shared, count($links))
            : ClosingGap::of($doubts, $errors, $shared, count($links));
        $joints = $this->joints($input, $gap);
        $input->end();
        $best = $joints[0] ?? null;

        return [
            'spread_mm' => $gap->deviationMm(),
            'within_mm' => $gap->within(self::LIKELY),
            'joints' => $joints,
            'last' => $best['id'] ?? null,
            'chance_it_closes' => $best['chance'] ?? null,
            'findings' => FindingReport::list(
                $best === null || $best['chance'] >= self::LIKELY
                    ? []
                    : [
                        new Finding(
                            RuleId::ClosingUnlikely,
                            Severity::Warn,
                            new Where,
                            $best['chance'],
                            self::LIKELY,
                            [
                                'joint' => $best['id'],
                                'percent' => (int) round($best['chance'] * 100),
                                'spread_mm' => $gap->within(self::LIKELY),
                            ],
                        ),
                    ],
                Units::Millimetre,
            ),
            'sources' => [],
        ];
    }

    /** @return list<array{id: string, chance: float}> the likeliest to close first; of equal ones in the order given */
    private function joints(Fields $input, ClosingGap $gap): array
    {
        $joints = [];
        foreach ($input->children('joints', 200) as $joint) {
            $joints[] = [
                'id' => $joint->string('id', 60),
                'chance' => $gap->chance(-$joint->number('short_mm', 0, 10_000), $joint->number('long_mm', 0, 10_000)),
            ];
            $joint->end();
        }
        usort($joints, static fn (array $a, array $b): int => $b['chance'] <=> $a['chance']);

        return $joints;
    }
}
