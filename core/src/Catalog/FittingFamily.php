<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * How the fittings of some systems are made, as far as their lengths follow from it: what a moulder leaves between the
 * ends of the pipes, how wide the sockets are, and how far off a reckoned length may be. Lengths in mm.
 */
final readonly class FittingFamily
{
    /** Fittings of pipe over this, about 4 in, are made with more play: what they may be off grows with it. */
    private const COMMON_MM = 114.3;

    /**
     * @param bool $isBanded its ends are cut: a length runs to the end, and beyond the crotch is the seat of a coupling
     * @param bool $isHubbed its outlet is a spigot, which goes into the hub of what follows
     * @param list<string> $shortPatterns bends that are made with the same radius
     * @param float $crotchMm between the ends of two pipes in the crotch of a wye
     * @param float $outletMm beyond the branch at the outlet of a wye
     * @param float $inletMm beyond the branch at the inlet of a tee
     * @param float $housingMm by which the radius of a socket is larger than that of its pipe
     * @param list<array{from_mm: float, mm: float}> $throats least radius of the throat of a swept branch, by the
     *     outside of the branch
     * @param float $straightMm between the end of a bend's curve and its stop
     * @param array<string, float> $doubts see `doubtMm`; `bend_far` is a share of the outside
     */
    private function __construct(
        public string $id,
        public bool $isBanded,
        public bool $isHubbed,
        public array $shortPatterns,
        public float $crotchMm,
        public float $outletMm,
        public float $inletMm,
        public float $housingMm,
        public array $throats,
        public float $straightMm,
        public array $doubts,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row): self
    {
        $doubts = $row->child('doubts');

        return new self(
            $row->string('id'),
            $row->choice('ends', ['stop', 'end', 'hub']) === 'end',
            $row->string('ends') === 'hub',
            $row->strings('short_patterns'),
            $row->number('crotch_mm', 0, 200),
            $row->number('outlet_mm', 0, 200),
            $row->number('inlet_mm', 0, 200),
            $row->number('housing_mm', 0, 200),
            array_map(
                static fn (Fields $throat): array => [
                    'from_mm' => $throat->number('from_mm', 0, 2000),
                    'mm' => $throat->number('mm', 0, 500),
                ],
                $row->children('throats'),
            ),
            $row->number('straight_mm', 0, 200),
            array_combine(
                $doubts->keys(),
                array_map(static fn (string $key): float => $doubts->number($key, 0, 100), $doubts->keys()),
            ),
            Provenance::read($row, 'fitting-lengths'),
        );
    }

    /** Gives what a reckoned length may be off, of a fitting for pipe of an outside diameter; mm. */
    public function doubtMm(string $doubt, float $outsideMm): float
    {
        return $this->doubts[$doubt] * max(1.0, $outsideMm / self::COMMON_MM);
    }

    /** Gives the least radius of the throat of a swept branch of an outside diameter, mm; 0 where none is asked for. */
    public function throatMm(float $outsideMm): float
    {
        $mm = 0.0;
        foreach ($this->throats as $throat) {
            $mm = $outsideMm >= $throat['from_mm'] ? $throat['mm'] : $mm;
        }

        return $mm;
    }
}
