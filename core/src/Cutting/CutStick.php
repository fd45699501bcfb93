<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

/**
 * One stick and what is cut from it, the longest first: what comes out short is then still long enough for something
 * else.
 */
final readonly class CutStick
{
    /**
     * @param int $stock index of its stock length
     * @param list<array{tag: string, mm: float}> $cuts
     * @param float $offcutMm what is left once the last cut is made
     */
    private function __construct(
        public int $stock,
        public float $stockMm,
        public array $cuts,
        public float $offcutMm,
    ) {}

    /**
     * @param int $stock index of its stock length
     * @param list<array{tag: string, mm: float}> $cuts
     * @param float $kerfMm width of a cut: what goes with each of them
     */
    public static function cut(int $stock, float $stockMm, array $cuts, float $kerfMm): self
    {
        return new self(
            $stock,
            $stockMm,
            $cuts,
            max(0.0, $stockMm - array_sum(array_column($cuts, 'mm')) - count($cuts) * $kerfMm),
        );
    }
}
