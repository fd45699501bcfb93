<?php

declare(strict_types=1);

namespace App\Api;

use FallBend\Core\Buying\Materials;
use FallBend\Core\Cutting\StockCutter;
use FallBend\Core\Hanging\Beam;
use FallBend\Core\Hanging\Growth;
use FallBend\Core\Hanging\Hanger;
use FallBend\Core\Hanging\Straight;
use FallBend\Core\Job\Hanging;

/** The shapes of making up between two ends, of cutting and of hanging what was made up. */
final class MakeUpShapes
{
    private const NUMBER = ['type' => 'number'];

    private const MAYBE = ['type' => ['number', 'null']];

    private const TEXT = ['type' => 'string'];

    private const WHOLE = ['type' => 'integer'];

    private const YES_NO = ['type' => 'boolean'];

    public const STICK_PRICE = [
        'system' => self::TEXT,
        'size' => self::TEXT,
        'length_mm' => self::NUMBER,
        'price' => self::NUMBER,
    ];

    private const KEPT = ['id' => self::WHOLE, 'by' => self::TEXT, 'at' => self::TEXT];

    /** @return array<string, mixed> what is asked */
    public static function asked(): array
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

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return [
            'MadeUp' => self::madeUp(),
            'RunOrder' => self::runOrder(),
            'HangingReport' => self::hangingReport(),
            'CuttingReport' => self::cuttingReport(),
            'CrewPrices' => self::crewPrices(),
            'MaterialRow' => self::materialRow(),
            'RunClosing' => self::runClosing(),
            'MadeUpWay' => self::madeUpWay(),
        ];
    }

    /** @return array<string, mixed> */
    private static function madeUp(): array
    {
        return Shapes::object([
            'turn_deg' => self::NUMBER,
            'apart' => Shapes::ref('Tape'),
            'outside_mm' => self::NUMBER,
            'size' => self::TEXT,
            'branch_at_mm' => self::MAYBE,
            'level_difference_mm' => self::MAYBE,
            'solutions' => Shapes::list(Shapes::ref('MadeUpWay')),
            'searched' => Shapes::object([
                'sequences' => self::WHOLE,
                'max_bends' => self::WHOLE,
                'exhaustive' => self::YES_NO,
            ]),
            'relax' => Shapes::list(
                Shapes::object([
                    'condition' => self::TEXT,
                    'what' => self::TEXT,
                    'from' => self::NUMBER,
                    'to' => self::NUMBER,
                    'solution' => Shapes::ref('MadeUpWay'),
                ]),
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function runOrder(): array
    {
        return Shapes::object([
            'goes' => self::YES_NO,
            'known' => self::YES_NO,
            'fixed' => Shapes::list(self::TEXT),
            'left' => Shapes::list(self::WHOLE),
            'steps' => Shapes::list(
                Shapes::object([
                    'parts' => Shapes::list(self::TEXT),
                    'joints' => Shapes::list(self::WHOLE),
                    'push_mm' => self::NUMBER,
                    'on_bench' => self::YES_NO,
                    'moves' => self::YES_NO,
                ]),
            ),
            'frees' => Shapes::list(
                Shapes::list(
                    Shapes::object(['joint' => self::WHOLE, 'kind' => ['enum' => ['slide', 'roll', 'union']]]),
                ),
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function hangingReport(): array
    {
        return Shapes::object([
            'hangers' => self::hangingHangers(),
            'own' => self::YES_NO,
            'spans' => self::hangingSpans(),
            'string' => Shapes::ref('Tape'),
            'framing' => self::hangingFraming(),
            'storey' => Shapes::orNull(Shapes::ref('Tape')),
            'floor' => Shapes::orNull(Shapes::ref('Tape')),
            'upright' => self::YES_NO,
            'expansion' => self::hangingExpansion(),
            'allowances' => Shapes::list(
                Shapes::object(['tape_mm' => self::NUMBER, 'tape' => Shapes::ref('Tape')]),
            ),
            'swing_c' => self::NUMBER,
            'findings' => Shapes::list(Shapes::ref('Finding')),
            'sources' => Shapes::list(Shapes::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function cuttingReport(): array
    {
        return Shapes::object([
            'pieces' => self::cuttingPieces(),
            'printed' => Shapes::orNull(Shapes::object(['on' => self::TEXT, 'gone' => Shapes::list(self::TEXT)])),
            'groups' => self::cuttingGroups(),
            'kerf' => Shapes::ref('Tape'),
            'saws' => Shapes::list(Shapes::object(['name' => self::TEXT, 'kerf' => Shapes::ref('Tape')])),
            'findings' => Shapes::list(Shapes::ref('Finding')),
            'sources' => Shapes::list(Shapes::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function crewPrices(): array
    {
        return Shapes::object([
            'prices' => Shapes::list(
                Shapes::object(
                    self::KEPT + [
                        'what' => self::TEXT,
                        'size' => self::TEXT,
                        'pipe' => self::TEXT,
                        'each' => self::NUMBER,
                    ],
                ),
            ),
            'sticks' => Shapes::list(Shapes::object(self::KEPT + self::STICK_PRICE)),
        ]);
    }

    /** @return array<string, mixed> */
    private static function materialRow(): array
    {
        return Shapes::object([
            'shelf' => ['enum' => Materials::SHELVES],
            'what' => self::TEXT,
            'maker' => self::TEXT,
            'size' => self::TEXT,
            'letters' => self::TEXT,
            'count' => self::WHOLE,
            'note' => self::TEXT,
            'price' => self::MAYBE,
            'each' => self::MAYBE,
            'source' => Shapes::orNull(Shapes::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function runClosing(): array
    {
        return Shapes::object([
            'reading_mm' => self::NUMBER,
            'cutting_mm' => self::NUMBER,
            'sources' => Shapes::list(Shapes::ref('Source')),
            'joints' => Shapes::list(
                Shapes::object([
                    'joint' => self::WHOLE,
                    'chance' => self::NUMBER,
                    'within_mm' => self::NUMBER,
                    'short_mm' => self::NUMBER,
                    'long_mm' => self::NUMBER,
                    'way' => ['enum' => ['glued', 'ring', 'roll', 'slide', 'union']],
                ]),
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function madeUpWay(): array
    {
        return Shapes::object([
            'points_mm' => Shapes::list(Shapes::list(self::NUMBER)),
            'bends' => Shapes::list(
                Shapes::object([
                    'row' => self::TEXT,
                    'pattern' => self::TEXT,
                    'street' => self::YES_NO,
                    'name' => self::TEXT,
                    'turn_deg' => self::NUMBER,
                    'nominal_deg' => self::NUMBER,
                    'roll_deg' => self::NUMBER,
                    'mark_mm' => self::NUMBER,
                    'dial_deg' => self::NUMBER,
                    'strain_deg' => self::NUMBER,
                    'known' => self::YES_NO,
                    'mark' => Shapes::ref('Tape'),
                ]),
            ),
            'legs' => Shapes::list(
                Shapes::object([
                    'length_mm' => self::NUMBER,
                    'cut_mm' => self::MAYBE,
                    'fall_mm_per_m' => self::MAYBE,
                    'heading_deg' => self::NUMBER,
                    'dip_deg' => self::NUMBER,
                    'length' => Shapes::ref('Tape'),
                    'cut' => Shapes::orNull(Shapes::ref('Tape')),
                ]),
            ),
            'cost' => self::NUMBER,
            'closes_within_mm' => self::NUMBER,
            'legs_said' => Shapes::list(['anyOf' => [Shapes::ref('JobLeg'), Shapes::ref('JobLegUnread')]]),
            'next_leg' => self::WHOLE,
            'refused' => Shapes::list(self::TEXT),
        ]);
    }

    /** @return array<string, mixed> */
    private static function hangingHangers(): array
    {
        return Shapes::list(
            Shapes::object([
                'number' => self::WHOLE,
                'leg' => self::WHOLE,
                'leg_id' => self::TEXT,
                'leg_mm' => self::NUMBER,
                'at' => Shapes::ref('Tape'),
                'tape_mm' => self::NUMBER,
                'tape' => Shapes::ref('Tape'),
                'kind' => ['enum' => Hanger::KINDS],
                'why' => ['enum' => Hanger::REASONS],
                'clear' => self::YES_NO,
                'hold' => ['enum' => ['fast', 'slides', null]],
                'braced' => self::YES_NO,
                'face' => Shapes::orNull(Shapes::object(['name' => self::TEXT, 'at' => Shapes::ref('Tape')])),
                'below_string' => Shapes::orNull(Shapes::ref('Tape')),
                'read' => Shapes::orNull(Shapes::ref('Tape')),
                'off_mm' => self::MAYBE,
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function hangingSpans(): array
    {
        return Shapes::list(
            Shapes::object([
                'from_tape_mm' => self::NUMBER,
                'to_tape_mm' => self::NUMBER,
                'length' => Shapes::ref('Tape'),
                'most' => Shapes::orNull(Shapes::ref('Tape')),
                'over' => self::YES_NO,
                'ends' => ['enum' => Beam::ENDS],
                'sag' => Shapes::orNull(Shapes::ref('Tape')),
                'pond' => Shapes::orNull(Shapes::ref('Tape')),
                'longest' => Shapes::orNull(Shapes::ref('Tape')),
                'fall_mm_per_m' => self::NUMBER,
                'outside_mm' => self::NUMBER,
                'pond_from_mm' => self::MAYBE,
                'pond_to_mm' => self::MAYBE,
                'shape_mm' => Shapes::list(self::NUMBER),
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function hangingFraming(): array
    {
        return Shapes::orNull(
            Shapes::object([
                'kind' => ['enum' => Hanging::FRAMING],
                'every' => Shapes::ref('Tape'),
                'first' => Shapes::ref('Tape'),
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function hangingExpansion(): array
    {
        return Shapes::list(
            Shapes::object([
                'leg' => self::WHOLE,
                'from_tape_mm' => self::NUMBER,
                'length' => Shapes::ref('Tape'),
                'growth' => Shapes::ref('Tape'),
                'fixed' => ['enum' => Straight::FIXED],
                'hanger' => ['type' => ['integer', 'null']],
                'ends' => Shapes::list(
                    Shapes::object([
                        'way' => ['enum' => ['up', 'down']],
                        'move' => Shapes::ref('Tape'),
                        'into' => ['enum' => Growth::INTO],
                        'leg' => ['type' => ['integer', 'null']],
                        'free' => Shapes::orNull(Shapes::ref('Tape')),
                        'hanger' => ['type' => ['integer', 'null']],
                        'newton' => self::MAYBE,
                    ]),
                ),
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function cuttingPieces(): array
    {
        return Shapes::list(
            Shapes::object([
                'key' => self::TEXT,
                'letter' => self::TEXT,
                'planned' => Shapes::ref('Tape'),
                'now' => Shapes::ref('Tape'),
                'moved_mm' => self::NUMBER,
                'cut' => self::YES_NO,
                'ends' => Shapes::list(self::TEXT),
                'stick' => Shapes::orNull(
                    Shapes::object([
                        'number' => self::WHOLE,
                        'length' => Shapes::ref('Tape'),
                        'tight' => self::YES_NO,
                    ]),
                ),
                'printed' => Shapes::orNull(Shapes::ref('Tape')),
                'since' => ['enum' => ['same', 'other', 'new', null]],
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function cuttingGroups(): array
    {
        return Shapes::list(
            Shapes::object([
                'system' => self::TEXT,
                'size' => self::TEXT,
                'letters' => self::TEXT,
                'objective' => ['enum' => StockCutter::OBJECTIVES],
                'sticks' => Shapes::list(
                    Shapes::object([
                        'length' => Shapes::ref('Tape'),
                        'offcut' => Shapes::ref('Tape'),
                        'enough' => self::NUMBER,
                        'tight' => self::YES_NO,
                        'cuts' => Shapes::list(
                            Shapes::object([
                                'run' => self::TEXT,
                                'key' => self::TEXT,
                                'letter' => self::TEXT,
                                'length' => Shapes::ref('Tape'),
                            ]),
                        ),
                    ]),
                ),
                'used' => self::NUMBER,
                'bound' => self::NUMBER,
                'optimal' => self::YES_NO,
            ]),
        );
    }
}
