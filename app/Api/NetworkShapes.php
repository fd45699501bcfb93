<?php

declare(strict_types=1);

namespace App\Api;

/** The shapes of how the runs of a job hang together. */
final class NetworkShapes
{
    private const NUMBER = ['type' => 'number'];

    private const MAYBE = ['type' => ['number', 'null']];

    private const TEXT = ['type' => 'string'];

    private const MAYBE_TEXT = ['type' => ['string', 'null']];

    private const WHOLE = ['type' => 'integer'];

    private const YES_NO = ['type' => 'boolean'];

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return [
            'NetworkReport' => self::networkReport(),
            'RunPlace' => self::runPlace(),
            'FixtureReport' => self::fixtureReport(),
            'ArmReport' => self::armReport(),
            'PipeReport' => self::pipeReport(),
            'CrossingReport' => self::crossingReport(),
        ];
    }

    /** @return array<string, mixed> what meets a run in a branch fitting */
    public static function branch(): array
    {
        return Shapes::orNull(
            Shapes::object([
                'turn' => self::YES_NO,
                'size' => self::TEXT,
                'take_mm' => self::NUMBER,
                'orientation' => self::TEXT,
                'angle_deg' => self::NUMBER,
                'reversed' => self::YES_NO,
                'flow' => Shapes::ref('Point'),
                'taps' => Shapes::list(
                    Shapes::object([
                        'run' => self::TEXT,
                        'flow' => Shapes::ref('Point'),
                        'size' => self::TEXT,
                        'vent' => self::YES_NO,
                    ]),
                ),
                'why' => self::TEXT,
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function networkReport(): array
    {
        return Shapes::object([
            'counts_flow' => self::YES_NO,
            'places' => Shapes::list(Shapes::ref('RunPlace')),
            'fixtures' => Shapes::list(Shapes::ref('FixtureReport')),
            'pipes' => Shapes::list(Shapes::ref('PipeReport')),
            'crossings' => Shapes::list(Shapes::ref('CrossingReport')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function runPlace(): array
    {
        return Shapes::object([
            'run' => self::TEXT,
            'name' => self::TEXT,
            'use' => ['enum' => ['drain', 'fixture-drain', 'vent']],
            'frame' => self::TEXT,
            'at' => Shapes::ref('Point'),
            'into' => self::MAYBE_TEXT,
            'rises' => self::YES_NO,
            'fixture' => self::MAYBE_TEXT,
        ]);
    }

    /** @return array<string, mixed> */
    private static function fixtureReport(): array
    {
        return Shapes::object([
            'run' => self::TEXT,
            'name' => self::TEXT,
            'kind' => self::TEXT,
            'trap' => self::TEXT,
            'group' => self::TEXT,
            'load' => self::MAYBE,
            'load_said' => self::TEXT,
            'source' => Shapes::orNull(Shapes::ref('Source')),
            'discharge' => Shapes::orNull(
                Shapes::object([
                    'l_per_s' => self::NUMBER,
                    'litres' => self::NUMBER,
                    'source' => Shapes::ref('Source'),
                    'volume_source' => Shapes::ref('Source'),
                ]),
            ),
            'arm' => Shapes::orNull(Shapes::ref('ArmReport')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function armReport(): array
    {
        return Shapes::object([
            'size' => self::TEXT,
            'length' => Shapes::ref('Tape'),
            'drop' => Shapes::ref('Tape'),
            'most' => Shapes::orNull(Shapes::ref('Tape')),
            'over' => self::YES_NO,
            'unlimited' => self::YES_NO,
            'turn_deg' => self::NUMBER,
            'fall_mm_per_m' => self::MAYBE,
            'upright' => self::YES_NO,
            'vent' => ['enum' => ['none', 'gully', 'wet', 'dry']],
            'vent_by' => self::MAYBE_TEXT,
            'bore_mm' => self::MAYBE,
            'seal_mm' => self::MAYBE,
            'end_mm' => self::NUMBER,
            'vent_bore_mm' => self::MAYBE,
            'vent_length_mm' => self::MAYBE,
            'source' => Shapes::orNull(Shapes::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function pipeReport(): array
    {
        return Shapes::object([
            'run' => self::TEXT,
            'from_mm' => self::NUMBER,
            'to_mm' => self::NUMBER,
            'size' => self::TEXT,
            'role' => ['enum' => ['dry-vent', 'wet-vent', 'drain', 'dead']],
            'called_vent' => self::YES_NO,
            'fixtures' => self::WHOLE,
            'made_wet_by' => self::MAYBE_TEXT,
            'vents' => Shapes::list(self::TEXT),
            'closets' => self::WHOLE,
            'load' => self::MAYBE,
            'load_said' => self::TEXT,
            'place' => self::MAYBE_TEXT,
            'most' => self::MAYBE,
            'short' => self::YES_NO,
            'most_said' => self::MAYBE_TEXT,
            'proposed' => self::MAYBE_TEXT,
            'flow' => Shapes::orNull(
                Shapes::object([
                    'l_per_s' => self::NUMBER,
                    'fall_mm_per_m' => self::NUMBER,
                    'fill' => self::MAYBE,
                    'velocity_m_per_s' => self::MAYBE,
                    'self_cleansing' => self::YES_NO,
                    'full_l_per_s' => self::NUMBER,
                ]),
            ),
            'source' => Shapes::orNull(Shapes::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function crossingReport(): array
    {
        return Shapes::object([
            'obstacle' => self::TEXT,
            'number' => self::WHOLE,
            'kind' => self::TEXT,
            'name' => self::TEXT,
            'run' => self::TEXT,
            'run_name' => self::TEXT,
            'leg' => self::WHOLE,
            'tape_mm' => self::NUMBER,
            'along' => Shapes::ref('Tape'),
            'size' => self::TEXT,
            'cut' => self::TEXT,
            'hole' => Shapes::ref('Tape'),
            'from_top' => Shapes::orNull(Shapes::ref('Tape')),
            'depth' => Shapes::orNull(Shapes::ref('Tape')),
            'outside_mm' => self::NUMBER,
            'rated' => self::YES_NO,
            'sealed' => self::YES_NO,
        ]);
    }
}
