<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cutting;

use FallBend\Core\Cutting\CutPart;
use FallBend\Core\Cutting\StockLength;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Instances whose best plan is known: full sticks, cut up. */
final readonly class PerfectPackings
{
    /** @param list<CutPart> $parts */
    private function __construct(
        public int $sticks,
        public StockLength $stock,
        public float $kerfMm,
        public array $parts,
    ) {}

    /**
     * Gives instances of 4 to 60 sticks with 2 to 8 parts each and a cut of 0 to 4 mm, on the millimetre or on the
     * sixteenth of an inch.
     *
     * @param int $mostSticks in one instance
     * @return list<self>
     */
    public static function generated(int $seed, int $count, int $mostSticks = 60): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $instances = [];
        for ($i = 0; $i < $count; $i++) {
            // Marks of the tape in a stick, and in a cut.
            [$mark, $stick] =
                $i % 2 === 0
                    ? [1.0, [2000, 3000, 4000, 6000][$random->getInt(0, 3)]]
                    : [1.5875, [1920, 3840][$random->getInt(0, 1)]];
            [$sticks, $kerf] = [$random->getInt(4, $mostSticks), $random->getInt(0, (int) (4.0 / $mark))];
            $parts = [];
            for ($s = 0; $s < $sticks; $s++) {
                array_push($parts, ...self::cutUp($random, $stick, $random->getInt(2, 8), $kerf));
            }
            $parts = $random->shuffleArray($parts);
            $instances[] = new self(
                $sticks,
                new StockLength($stick * $mark),
                $kerf * $mark,
                array_map(
                    static fn (int $length, int $n): CutPart => new CutPart("p{$n}", $length * $mark),
                    $parts,
                    array_keys($parts),
                ),
            );
        }

        return $instances;
    }

    /** @return list<int> lengths that fill the stick with the cuts between them */
    private static function cutUp(Randomizer $random, int $stick, int $parts, int $kerf): array
    {
        $least = 40;
        $free = $stick - $kerf * ($parts - 1) - $least * $parts;
        $at = [0, $free];
        for ($i = 1; $i < $parts; $i++) {
            $at[] = $random->getInt(0, $free);
        }
        sort($at);

        return array_map(
            static fn (int $from, int $to): int => $least + $to - $from,
            array_slice($at, 0, -1),
            array_slice($at, 1),
        );
    }
}
