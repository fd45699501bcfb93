<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads points and directions as reckoners are given them: three numbers, east, north and up. */
final class Points
{
    private const FAR_MM = 1_000_000.0;

    /** @throws BadInput */
    public static function read(Fields $fields, string $key): Vec3
    {
        $numbers = $fields->numbers($key, -self::FAR_MM, self::FAR_MM);
        if (count($numbers) !== 3) {
            throw BadInput::at($fields->at($key), 'must be three numbers: east, north, up', $fields->raw($key));
        }

        return new Vec3(...$numbers);
    }

    /** @throws BadInput also where all of it is nothing */
    public static function direction(Fields $fields, string $key): Vec3
    {
        return self::read($fields, $key)->unit() ??
            throw BadInput::at($fields->at($key), 'must be a direction: not all of it nothing', [0, 0, 0]);
    }
}
