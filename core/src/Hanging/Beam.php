<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

/**
 * A pipe between two hangers as a beam under its own weight and that of its water, evenly spread (Euler and Bernoulli).
 * Held `simple` at both, running on over both (`continuous`, as if clamped
 * there, since both neighbours bend alike), or at the `end` of a line: free to turn at one, running on over the other.
 * Lengths in mm, forces in N.
 */
final readonly class Beam
{
    public const ENDS = ['simple', 'continuous', 'end'];

    /**
     * Where the steepest place of a continuous span lies, and how steep it is: the maximum of the derivative of
     * x²(L − x)² is at L (3 − √3) / 6.
     */
    private const CONTINUOUS_STEEPEST = 0.0080187537;

    /** Largest deflection of the span at the end, at 0.4215 L. */
    private const END_DEFLECTION = 0.0054161263;

    private const STEPS = 80;

    /** Parts that its shape is given in. */
    private const SHAPE = 24;

    /**
     * @param float $loadNPerMm weight of a millimetre of pipe and water
     * @param float $stiffness E·I in N·mm²
     * @param string $ends one of ENDS
     */
    public function __construct(
        public float $spanMm,
        public float $loadNPerMm,
        public float $stiffness,
        public string $ends,
    ) {}

    /** Gives the largest deflection. */
    public function deflectionMm(): float
    {
        return (($this->loadNPerMm * $this->spanMm ** 4) / $this->stiffness) *
            match ($this->ends) {
                'simple' => 5 / 384,
                'continuous' => 1 / 384,
                default => self::END_DEFLECTION,
            };
    }

    /** Gives how steep the bent pipe gets against the straight line between the hangers, mm per m. */
    public function steepestMmPerM(): float
    {
        return ((1000 * $this->loadNPerMm * $this->spanMm ** 3) / $this->stiffness) * $this->steepestShare();
    }

    /**
     * Gives the longest span that leaves no pocket at a fall: there the steepest place rises just as the pipe falls.
     */
    public function longestSpanMm(float $fallMmPerM): float
    {
        return $fallMmPerM <= 0
            ? 0.0
            : ((($fallMmPerM / 1000) * $this->stiffness) / ($this->loadNPerMm * $this->steepestShare())) ** (1 / 3);
    }

    /**
     * Gives how far the pipe hangs below the straight line, so far from the upper hanger; the free end of a span at the
     * end is the lower one, where it does most harm.
     */
    public function sagAt(float $mm): float
    {
        [$x, $l] = [$mm, $this->spanMm];

        return ($this->loadNPerMm / $this->stiffness) *
            match ($this->ends) {
                'simple' => ($x * ($l ** 3 - 2 * $l * $x ** 2 + $x ** 3)) / 24,
                'continuous' => ($x ** 2 * ($l - $x) ** 2) / 24,
                default => (($l - $x) * ($l ** 3 - 3 * $l * ($l - $x) ** 2 + 2 * ($l - $x) ** 3)) / 48,
            };
    }

    /**
     * @return list<float> how far it hangs below the straight line at equal steps, from the upper hanger to the lower
     */
    public function shapeMm(): array
    {
        return array_map(fn (int $i): float => $this->sagAt(($this->spanMm * $i) / self::SHAPE), range(0, self::SHAPE));
    }

    /**
     * Gives the pocket that stays full of water at a fall: where it is deepest and where it runs over, from the upper
     * hanger, and how deep it is; null where the pipe falls all along.
     *
     * @return array{deepest_mm: float, over_mm: float, from_mm: float, depth_mm: float}|null
     */
    public function pocket(float $fallMmPerM): ?array
    {
        if ($this->steepestMmPerM() <= $fallMmPerM) {
            return null;
        }
        $height = fn (float $x): float => (-$fallMmPerM / 1000) * $x - $this->sagAt($x);
        // Down to the trough, up to the lip; a span that is clamped at its lower end falls again beyond the lip.
        $steepest = match ($this->ends) {
            'simple', 'end' => $this->spanMm,
            default => $this->spanMm * (1 - (3 - sqrt(3)) / 6),
        };
        $deepest = $this->turning($height, 0.0, $steepest, -1.0);
        $over = $this->ends === 'continuous' ? $this->turning($height, $steepest, $this->spanMm, 1.0) : $this->spanMm;
        $lip = $height($over);
        [$low, $high] = [0.0, $deepest];
        for ($i = 0; $i < self::STEPS; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $height($middle) > $lip ? [$middle, $high] : [$low, $middle];
        }

        return [
            'deepest_mm' => $deepest,
            'over_mm' => $over,
            'from_mm' => $high,
            'depth_mm' => $lip - $height($deepest),
        ];
    }

    private function steepestShare(): float
    {
        return match ($this->ends) {
            'simple' => 1 / 24,
            'continuous' => self::CONTINUOUS_STEEPEST,
            default => 1 / 48,
        };
    }

    /**
     * The place between two where a height is least (sign −1) or most (1), by golden section.
     *
     * @param callable(float): float $height
     */
    private function turning(callable $height, float $low, float $high, float $sign): float
    {
        $golden = (sqrt(5) - 1) / 2;
        for ($i = 0; $i < self::STEPS; $i++) {
            [$a, $b] = [$high - $golden * ($high - $low), $low + $golden * ($high - $low)];
            [$low, $high] = $sign * $height($a) > $sign * $height($b) ? [$low, $b] : [$a, $high];
        }

        return ($low + $high) / 2;
    }
}
