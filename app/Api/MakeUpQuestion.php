<?php

declare(strict_types=1);

namespace App\Api;

/** What is asked of the making up of pipe between two ends. */
final class MakeUpQuestion
{
    private const NUMBER = ['type' => 'number'];

    private const TEXT = ['type' => 'string'];

    private const WHOLE = ['type' => 'integer'];

    private const YES_NO = ['type' => 'boolean'];

    /** @return array<string, mixed> what is asked */
    public static function shape(): array
    {
        $span = array_fill_keys(
            ['along_from_mm', 'along_to_mm', 'over_from_mm', 'over_to_mm', 'up_from_mm', 'up_to_mm'],
            self::NUMBER,
        );

        return [
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['document', 'run', 'to'],
            'properties' => [
                'document' => Shapes::ref('JobDocument'),
                'run' => self::TEXT,
                'from_leg' => self::TEXT,
                'to' => [
                    'type' => 'object',
                    'additionalProperties' => false,
                    'properties' => [
                        'leg' => self::TEXT,
                        'along_mm' => self::NUMBER,
                        'over_mm' => self::NUMBER,
                        'down_mm' => self::NUMBER,
                        'turn_deg' => self::NUMBER,
                        'fall_mm_per_m' => self::NUMBER,
                        'plumb' => self::YES_NO,
                    ],
                ],
                'max_bends' => self::WHOLE,
                'fall_least_mm_per_m' => self::NUMBER,
                'clearance_mm' => self::NUMBER,
                'obstacles' => Shapes::list([
                    'type' => 'object',
                    'additionalProperties' => false,
                    'required' => array_keys($span),
                    'properties' => $span + ['what' => self::TEXT],
                ]),
            ],
        ];
    }
}
