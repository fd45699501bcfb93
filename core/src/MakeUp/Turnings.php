<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\PipeSystem;

/** The turns that a system's bends of a size make. */
final class Turnings
{
    /** Bends whose turns differ by less than this make one turn, in degrees. */
    private const ALIKE_DEG = 0.05;

    /**
     * @param list<float> $nominalDeg only bends of these names, in degrees; empty: all
     * @return list<Turning> the gentlest first
     */
    public static function list(PipeSystem $system, string $size, array $nominalDeg = []): array
    {
        $groups = [];
        foreach ($system->plainBends($size) as $bend) {
            if ($nominalDeg !== [] && ! in_array($bend->nominalDeg, $nominalDeg, true)) {
                continue;
            }
            foreach ($groups as $i => $group) {
                if (abs($group[0]->turnDeg - $bend->turnDeg) < self::ALIKE_DEG) {
                    $groups[$i][] = $bend;

                    continue 2;
                }
            }
            $groups[] = [$bend];
        }
        $turnings = array_map(static function (array $bends) use ($system, $size): Turning {
            usort($bends, static fn (Bend $a, Bend $b): int => $a->takeOffMm <=> $b->takeOffMm);
            $streets = array_filter(
                array_map(static fn (Bend $bend): ?Bend => $system->bend($bend->pattern, $size, true), $bends),
                static fn (?Bend $bend): bool => $bend?->spigotMm !== null,
            );

            return new Turning($bends[0]->turnDeg, $bends, array_values($streets)[0] ?? null);
        }, $groups);
        usort($turnings, static fn (Turning $a, Turning $b): int => $a->deg <=> $b->deg);

        return $turnings;
    }
}
