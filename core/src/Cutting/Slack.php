<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Effort\Effort;
use FallBend\Core\MakeUp\ClosingGap;

/**
 * Whether a stick holds what is to be cut from it when every piece comes out a little longer or shorter than it was
 * meant.
 */
final readonly class Slack
{
    /** What comes out short more seldom than once in a hundred sticks nobody has to be told of. */
    public const SURE = 0.99;

    /**
     * How much room every cut is planned to have besides, as a share of the most that it may be off: as much as is ever
     * needed, or as much as mostly does.
     */
    private const ROOM = [1.0, 0.5];

    /**
     * @param float $readingMm how far one reading of the tape may be off, as likely anywhere between
     * @param float $cuttingMm how far one cut may be off its mark, as likely anywhere between
     */
    public function __construct(private float $kerfMm, private float $readingMm, private float $cuttingMm) {}

    /**
     * Gives the chance that the last piece of a stick is still long enough, 0 to 1. The last cut needs no room: what is
     * left may be less than the saw is wide.
     */
    public function chance(CutStick $stick): float
    {
        $spare =
            $stick->stockMm - array_sum(array_column($stick->cuts, 'mm')) - (count($stick->cuts) - 1) * $this->kerfMm;
        $most = count($stick->cuts) * ($this->readingMm + $this->cuttingMm);

        return $spare >= $most
            ? 1.0
            : ClosingGap::of(
                array_merge(...array_fill(0, count($stick->cuts), [$this->readingMm, $this->cuttingMm])),
                [],
                0.0,
                0,
            )->chance(-$most, $spare);
    }

    /** Whether a stick comes out short so often that it is said. */
    public function isTight(CutStick $stick): bool
    {
        return $this->chance($stick) < self::SURE;
    }

    /** Gives how many sticks of a plan are tight. */
    public function tight(CutPlan $plan): int
    {
        return count(array_filter($plan->sticks, $this->isTight(...)));
    }

    /**
     * Gives a plan of the same parts that takes no more, and of which fewer sticks are tight; that itself where there
     * is none.
     *
     * @param non-empty-list<StockLength> $stock
     * @param list<CutPart> $parts
     * @param int $effort choices that may be looked at
     */
    public function spread(
        CutPlan $plan,
        array $stock,
        array $parts,
        string $objective,
        int $effort,
        ?Effort $guard = null,
    ): CutPlan {
        $tight = $this->tight($plan);
        if ($tight === 0) {
            return $plan;
        }
        foreach (self::ROOM as $share) {
            $loose = (new StockCutter(
                $stock,
                $this->kerfMm + $share * ($this->readingMm + $this->cuttingMm),
                $parts,
                $objective,
                $effort,
                $guard,
            ))->within($plan->used);
            if ($loose !== null && count($loose->left) === count($plan->left) && $this->tight($loose) < $tight) {
                // As the saw in hand leaves them.
                return new CutPlan(
                    array_map(
                        fn (CutStick $stick): CutStick => CutStick::cut(
                            $stick->stock,
                            $stick->stockMm,
                            $stick->cuts,
                            $this->kerfMm,
                        ),
                        $loose->sticks,
                    ),
                    $plan->left,
                    $plan->used,
                    $plan->bound,
                    $plan->isOptimal,
                );
            }
        }

        return $plan;
    }
}
