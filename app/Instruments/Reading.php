<?php

declare(strict_types=1);

namespace App\Instruments;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What an instrument sent: one line of JSON, see docs/instruments.md.
 *
 * @phpstan-type WrittenReading array{
 *     device: string,
 *     kind: value-of<InstrumentKind>,
 *     value: float,
 *     unit: string,
 *     battery: ?float,
 *     humidity: ?float,
 * }
 */
final class Reading
{
    /**
     * @return WrittenReading
     *
     * @throws BadInput
     */
    public static function read(string $line): array
    {
        $decoded = json_decode($line, true, 4);
        if (! is_array($decoded)) {
            throw BadInput::at('', 'is no object of JSON', $line);
        }
        $fields = Fields::of($decoded);
        $reading = [
            'device' => $fields->string('device', 40),
            'kind' => $fields->enum('kind', InstrumentKind::class)->value,
            'value' => $fields->number('value', -1_000_000, 1_000_000),
            'unit' => $fields->string('unit', 12),
            'battery' => $fields->numberOrNull('battery', 0, 1),
            'humidity' => $fields->numberOrNull('humidity', 0, 100),
        ];
        $fields->end();

        return $reading;
    }
}
