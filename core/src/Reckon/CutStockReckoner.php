<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Cutting\CutFindings;
use FallBend\Core\Cutting\CutPart;
use FallBend\Core\Cutting\CutPlan;
use FallBend\Core\Cutting\CutStick;
use FallBend\Core\Cutting\StockCutter;
use FallBend\Core\Cutting\StockLength;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** What to cut from what, with a bound that no plan goes under. */
final readonly class CutStockReckoner implements Reckoner
{
    /**
     * Choices that the search looks at in a second on a plain machine: what is asked in seconds is done by count, so
     * that the same question has the same answer everywhere.
     */
    private const PER_SECOND = 1_000_000;

    private const USUAL_SECONDS = 4.0;

    private const MOST_SECONDS = 20.0;

    public function name(): string
    {
        return 'cut-stock';
    }

    public function summary(): string
    {
        return 'what to cut from which sticks and offcuts, fewest, shortest or cheapest, with the bound that no plan goes under';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $objective = $input->has('objective') ? $input->choice('objective', StockCutter::OBJECTIVES) : 'sticks';
        $stock = $this->stock($input, $objective);
        $kerf = $input->number('kerf_mm', 0, 50);
        $parts = $this->parts($input);
        $seconds = $input->numberOrNull('seconds', 0.01, self::MOST_SECONDS) ?? self::USUAL_SECONDS;
        $input->end();
        $plan = (new StockCutter(
            $stock,
            $kerf,
            $parts,
            $objective,
            (int) ($seconds * self::PER_SECOND),
            $effort,
        ))->plan();

        return [
            'sticks' => array_map(
                static fn (CutStick $stick): array => [
                    'stock' => $stick->stock,
                    'stock_mm' => $stick->stockMm,
                    'cuts' => array_map(
                        static fn (array $cut): array => ['tag' => $cut['tag'], 'length_mm' => $cut['mm']],
                        $stick->cuts,
                    ),
                    'offcut_mm' => $stick->offcutMm,
                ],
                $plan->sticks,
            ),
            'used' => $plan->used,
            'bound' => $plan->bound,
            'optimal' => $plan->isOptimal,
            'left' => array_map(
                static fn (CutPart $part): array => [
                    'tag' => $part->tag,
                    'length_mm' => $part->mm,
                    'count' => $part->count,
                ],
                $plan->left,
            ),
            'findings' => FindingReport::list($this->findings($plan, $stock, $objective), Units::Millimetre),
            'sources' => [],
        ];
    }

    /**
     * @return non-empty-list<StockLength>
     *
     * @throws BadInput
     */
    private function stock(Fields $input, string $objective): array
    {
        $stock = [];
        foreach ($input->children('stock', 50) as $fields) {
            $stock[] = new StockLength(
                $fields->number('length_mm', 1, 100_000),
                $fields->numberOrNull('price', 0, 1_000_000),
                $fields->has('available') ? $fields->int('available', 0, 10_000) : null,
            );
            if ($objective === 'price' && $stock[count($stock) - 1]->price === null) {
                throw BadInput::at($fields->at('price'), 'is missing: the least money is asked for', null);
            }
            $fields->end();
        }

        return $stock === [] ? throw BadInput::at('stock', 'must not be empty', []) : $stock;
    }

    /**
     * @return list<CutPart>
     *
     * @throws BadInput
     */
    private function parts(Fields $input): array
    {
        [$parts, $count] = [[], 0];
        foreach ($input->children('parts', 2000) as $fields) {
            $parts[] = new CutPart(
                $fields->string('tag', 60),
                $fields->number('length_mm', 1, 100_000),
                $fields->has('count') ? $fields->int('count', 1, 2000) : 1,
            );
            $count += $parts[count($parts) - 1]->count;
            $fields->end();
        }

        return $count > 2000 ? throw BadInput::at('parts', 'are more than 2000', $count) : $parts;
    }

    /**
     * @param non-empty-list<StockLength> $stock
     * @return list<Finding>
     */
    private function findings(CutPlan $plan, array $stock, string $objective): array
    {
        $findings = [];
        $longest = max(array_map(static fn (StockLength $one): float => $one->available === 0 ? 0.0 : $one->mm, $stock));
        $long = array_values(array_filter($plan->left, static fn (CutPart $part): bool => $part->mm > $longest));
        if ($long !== []) {
            $findings[] = new Finding(RuleId::CutTooLong, Severity::Stop, new Where, $long[0]->mm, $longest, [
                'part' => $long[0]->tag,
                'length_mm' => $long[0]->mm,
                'longest_mm' => $longest,
            ]);
        }
        if (count($plan->left) > count($long)) {
            array_push($findings, ...CutFindings::notEnough(count($plan->left) - count($long)));
        } elseif (! $plan->isOptimal && $plan->sticks !== []) {
            $findings[] = new Finding(RuleId::CutNotProved, Severity::Note, new Where, $plan->used, $plan->bound, [
                'used' => self::inWords($plan->used, $objective),
                'bound' => self::inWords($plan->bound, $objective),
            ]);
        }

        return $findings;
    }

    private static function inWords(float $used, string $objective): string
    {
        return match ($objective) {
            'length' => round($used / 1000, 2).' m',
            'price' => number_format($used, 2),
            default => ((int) $used).' sticks',
        };
    }
}
