<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * Brings a document of an older version to the present one. What it cannot read it leaves as it is: the reader says
 * where it is wrong.
 */
final class JobFileUpgrade
{
    /**
     * Version 1 knew a measured fitting only by its take-off: `{system, row, take_off_mm, spigot_mm?, source?}`.
     * Version 2 names table, row, field and value.
     *
     * @param array<array-key, mixed> $document
     * @return array<array-key, mixed>
     */
    public static function fromV1(array $document): array
    {
        $document['version'] = 2;
        $overrides = $document['overrides'] ?? null;
        if (is_array($overrides) && is_array($overrides['catalogue'] ?? null)) {
            $overrides['catalogue'] = array_merge(
                ...array_map(self::measured(...), array_values($overrides['catalogue'])),
            );
            $document['overrides'] = $overrides;
        }

        return $document;
    }

    /**
     * Version 3 added fixtures, branches, vents and obstacles; whatever version 2 says stands in it as it was.
     *
     * @param array<array-key, mixed> $document
     * @return array<array-key, mixed>
     */
    public static function fromV2(array $document): array
    {
        $document['version'] = 3;

        return $document;
    }

    /**
     * Version 4 has what was done on site in its log: what was cut and printed, what was read at hangers and of
     * standing pipes goes out of the plan.
     *
     * @param array<array-key, mixed> $document
     * @return array<array-key, mixed>
     */
    public static function fromV3(array $document): array
    {
        $document['version'] = 4;
        if (is_array($document['cutting'] ?? null)) {
            $document['cutting'] = array_diff_key($document['cutting'], ['cut' => 0, 'printed' => 0]);
        }
        foreach (['hanging' => 'readings', 'standing' => 'evidence'] as $list => $field) {
            if (is_array($document[$list] ?? null)) {
                $document[$list] = array_map(
                    static fn (mixed $one): mixed => is_array($one) ? array_diff_key($one, [$field => 0]) : $one,
                    $document[$list],
                );
            }
        }

        return $document;
    }

    /** @return list<mixed> one entry for each number that was measured */
    private static function measured(mixed $old): array
    {
        if (! is_array($old) || ! is_string($old['row'] ?? null)) {
            return [$old];
        }
        $field = match (explode('/', $old['row'])[0]) {
            'coupling' => 'stop_mm',
            'bushing' => 'offset_mm',
            default => 'take_off_mm',
        };
        $entry =
            ['table' => $old['system'] ?? null, 'row' => $old['row']] +
            (isset($old['source']) ? ['source' => $old['source']] : []);
        $surplus = array_diff_key($old, [
            'system' => 1,
            'row' => 1,
            'take_off_mm' => 1,
            'spigot_mm' => 1,
            'source' => 1,
        ]);
        $new = [$entry + ['field' => $field, 'value' => $old['take_off_mm'] ?? null] + $surplus];

        return isset($old['spigot_mm'])
            ? [...$new, $entry + ['field' => 'spigot_mm', 'value' => $old['spigot_mm']]]
            : $new;
    }
}
