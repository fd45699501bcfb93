<?php

declare(strict_types=1);

namespace FallBend\Core\Identify;

use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/**
 * Pipes that no table here has, and that are easily taken for one that they have: lead, asbestos cement, pitch fibre
 * and the like. From core/data/parts/lookalikes.json.
 *
 * @phpstan-type Lookalike array{
 *     id: string,
 *     name: string,
 *     looks: string,
 *     stops: bool,
 * }
 */
final readonly class Lookalikes
{
    /**
     * Gives those that nothing which was seen speaks against.
     *
     * @return list<Lookalike>
     */
    public static function like(Evidence $evidence): array
    {
        $found = [];
        foreach (Fields::of(DataFile::read('parts/lookalikes.json'))->children('rows', 100) as $row) {
            if (self::isLike($row, $evidence)) {
                $found[] = [
                    'id' => $row->string('id'),
                    'name' => $row->string('name'),
                    'looks' => $row->string('looks'),
                    'stops' => $row->bool('stops', false),
                ];
            }
        }

        return $found;
    }

    private static function isLike(Fields $row, Evidence $evidence): bool
    {
        $isWithin = static fn (?float $mm, string $of): bool => $mm === null ||
            ($mm >= $row->number("{$of}low_mm", 0, 2000) && $mm <= $row->number("{$of}high_mm", 0, 2000));

        return ($evidence->magnet === null || $evidence->magnet === $row->bool('magnet', false)) &&
            ($evidence->colour === '' || in_array($evidence->colour, $row->strings('colours'), true)) &&
            $isWithin($evidence->outsideMm, '') &&
            $isWithin($evidence->wallMm, 'wall_');
    }
}
