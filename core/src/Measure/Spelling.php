<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/** How the core's own words are spelt in the country of a job: its texts are written in British spelling. */
final class Spelling
{
    private const AMERICAN = [
        'centre' => 'center',
        'colour' => 'color',
        'litre' => 'liter',
        'metre' => 'meter',
        'calliper' => 'caliper',
        'catalogue' => 'catalog',
        'grey' => 'gray',
        'storeys' => 'stories',
        'storey' => 'story',
        'mould' => 'mold',
        'judgement' => 'judgment',
    ];

    /**
     * Takes a text of the core's own, without what somebody typed, and gives it as a job in inches or in millimetres
     * spells it.
     */
    public static function in(Units $units, string $text): string
    {
        if ($units === Units::Millimetre) {
            return $text;
        }
        $words = self::AMERICAN;
        foreach (self::AMERICAN as $british => $american) {
            $words[ucfirst($british)] = ucfirst($american);
        }

        return strtr($text, $words);
    }
}
