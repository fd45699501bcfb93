<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads and writes an obstacle as it stands in the job file. */
final class ObstacleFile
{
    /**
     * @param string $id read and checked already
     * @param array<string, Run> $runs by id
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields, string $id, array $runs): Obstacle
    {
        $run = $fields->choice('run', array_map(strval(...), array_keys($runs)));
        $obstacle = new Obstacle(
            id: $id,
            kind: $fields->enum('kind', ObstacleKind::class),
            what: $fields->stringOr('what', '', 80),
            run: $run,
            leg: $fields->choice('leg', array_map(static fn (Leg $leg): string => $leg->id, $runs[$run]->legs)),
            atMm: $fields->number('at_mm', 0, 1_000_000),
            everyMm: $fields->numberOrNull('every_mm', 10, 100_000),
            count: $fields->has('count') ? $fields->int('count', 1, 500) : 1,
            depthMm: $fields->numberOrNull('depth_mm', 10, 2000),
            thickMm: $fields->numberOrNull('thick_mm', 1, 2000),
            topMm: $fields->numberOrNull('top_mm', 0, 2000),
            cut: $fields->has('cut') ? $fields->choice('cut', Obstacle::CUTS) : 'hole',
            spanMm: $fields->numberOrNull('span_mm', 100, 30_000),
            bearingMm: $fields->numberOrNull('bearing_mm', 0, 30_000),
            isBearing: $fields->bool('bearing', false),
            isRated: $fields->bool('rated', false),
            isSealed: $fields->bool('sealed', false),
            allowedMm: $fields->numberOrNull('allowed_mm', 0, 2000),
            gapMm: $fields->numberOrNull('gap_mm', 0, 10_000),
            lengthMm: $fields->numberOrNull('length_mm', 1, 1_000_000),
        );
        if ($obstacle->count > 1 && $obstacle->everyMm === null) {
            throw BadInput::at($fields->at('every_mm'), 'is missing: how far apart they are', null);
        }
        $fields->end();

        return $obstacle;
    }

    /** @return array<string, mixed> */
    public static function document(Obstacle $o): array
    {
        return array_filter(
            [
                'id' => $o->id,
                'kind' => $o->kind->value,
                'what' => $o->what === '' ? null : $o->what,
                'run' => $o->run,
                'leg' => $o->leg,
                'at_mm' => $o->atMm,
                'every_mm' => $o->everyMm,
                'count' => $o->count === 1 ? null : $o->count,
                'depth_mm' => $o->depthMm,
                'thick_mm' => $o->thickMm,
                'top_mm' => $o->topMm,
                'cut' => $o->cut === 'hole' ? null : $o->cut,
                'span_mm' => $o->spanMm,
                'bearing_mm' => $o->bearingMm,
                'bearing' => $o->isBearing ? true : null,
                'rated' => $o->isRated ? true : null,
                'sealed' => $o->isSealed ? true : null,
                'allowed_mm' => $o->allowedMm,
                'gap_mm' => $o->gapMm,
                'length_mm' => $o->lengthMm,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }
}
