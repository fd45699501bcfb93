<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Length;

/**
 * Reads and writes the legs of a job file.
 *
 * @phpstan-type WrittenLeg array<string, mixed>
 */
final class LegFile
{
    /** Words that were not understood are kept whole, however many were said. */
    public const MOST_UNREAD = 20_000;

    private const MOST_MM = 1_000_000.0;

    /**
     * @param string $id as it was read
     * @param list<string> $sizes of the pipe
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields, string $id, array $sizes): Leg
    {
        if ($fields->has('unread')) {
            $leg = new Leg($id, unread: $fields->string('unread', self::MOST_UNREAD));
            $fields->end();

            return $leg;
        }
        $way = $fields->enum('way', Way::class);
        $turn = $fields->numberOrNull('turn_deg', 0.01, 179.99);
        if ($turn !== null && ! $way->takesAngle()) {
            throw BadInput::at($fields->at('turn_deg'), "does not go with way {$way->value}", $turn);
        }
        $close = $fields->bool('close', false);
        $length = self::length($fields, 'length_mm', 0.001);
        $takes = $fields->has('takes') ? $fields->choice('takes', ['share', 'rest']) : null;
        if ($takes === 'rest' && $way !== Way::Down && $way !== Way::Up) {
            throw BadInput::at($fields->at('takes'), 'the rest is taken by a leg that goes down or up', $takes);
        }
        if ($length === null && ! $close && $takes !== 'rest') {
            throw BadInput::at($fields->at('length_mm'), 'is missing');
        }
        $fall = $fields->numberOrNull('fall_mm_per_m', -10_000, 10_000);
        $drop = self::length($fields, 'drop_mm', -self::MOST_MM);
        self::refuseContradiction($fields, $way, $length, $fall, $drop);
        $leg = new Leg(
            $id,
            $way,
            $turn,
            $length,
            $fields->has('measured') && $fields->choice('measured', ['centre', 'stop']) === 'stop',
            $fall,
            $drop,
            $fields->has('size') ? $fields->choice('size', $sizes) : null,
            $fields->has('fitting') ? FittingChoice::read($fields->child('fitting')) : null,
            $close,
            $fields->stringOr('what', '', 80),
            null,
            $takes,
        );
        $fields->end();

        return $leg;
    }

    private static function refuseContradiction(
        Fields $fields,
        Way $way,
        ?Length $length,
        ?float $fall,
        ?Length $drop,
    ): void {
        if ($fall !== null && $drop !== null) {
            throw BadInput::at($fields->at('drop_mm'), 'cannot stand beside fall_mm_per_m', $drop->toMm());
        }
        if ($way->isUpright() && ($fall !== null || $drop !== null)) {
            throw BadInput::at(
                $fields->at($fall !== null ? 'fall_mm_per_m' : 'drop_mm'),
                "does not go with way {$way->value}",
                $fall ?? $drop->toMm(),
            );
        }
        if ($drop !== null && ($length === null || abs($drop->nanometres) > $length->nanometres)) {
            throw BadInput::at($fields->at('drop_mm'), 'must not be more than the length of the leg', $drop->toMm());
        }
    }

    /** @return WrittenLeg as a job file holds it */
    public static function document(Leg $leg): array
    {
        if ($leg->unread !== null) {
            return ['id' => $leg->id, 'unread' => $leg->unread];
        }

        return array_filter(
            [
                'id' => $leg->id,
                'way' => $leg->way->value,
                'turn_deg' => $leg->turnDeg,
                'length_mm' => $leg->length?->toMm(),
                'measured' => $leg->isToStop ? 'stop' : null,
                'fall_mm_per_m' => $leg->fallMmPerM,
                'drop_mm' => $leg->drop?->toMm(),
                'size' => $leg->size,
                'fitting' => $leg->fitting?->toArray(),
                'close' => $leg->isClose ? true : null,
                'takes' => $leg->takes,
                'what' => $leg->what === '' ? null : $leg->what,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    private static function length(Fields $fields, string $key, float $leastMm): ?Length
    {
        $mm = $fields->numberOrNull($key, $leastMm, self::MOST_MM);

        return $mm === null ? null : Length::mm($mm);
    }
}
