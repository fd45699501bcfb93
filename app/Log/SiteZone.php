<?php

declare(strict_types=1);

namespace App\Log;

use DateTimeZone;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** The zone in which a question wants times said: `zone`, such as +01:00; UTC where nobody says. */
final class SiteZone
{
    /** @throws BadInput */
    public static function read(Fields $fields): DateTimeZone
    {
        $zone = $fields->has('zone') ? $fields->string('zone', 6) : '+00:00';
        if (preg_match('/^[+-](0\d|1[0-4]):[0-5]\d\z/', $zone) !== 1) {
            throw BadInput::at($fields->at('zone'), 'must be a zone such as +01:00', $zone);
        }

        return new DateTimeZone($zone);
    }
}
