<?php

declare(strict_types=1);

namespace App\Api;

/** The shapes of the board: a row for each job, with what was stored when it was kept. */
final class BoardShapes
{
    private const NUMBER = ['type' => 'number'];

    private const TEXT = ['type' => 'string'];

    private const WHOLE = ['type' => 'integer'];

    private const YES_NO = ['type' => 'boolean'];

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return [
            'BoardPage' => self::boardPage(),
            'JobRow' => self::jobRow(),
            'JobSummary' => self::jobSummary(),
            'RunDrawing' => self::drawing(),
            'Unreadable' => self::unreadable(),
        ];
    }

    /** @return array<string, mixed> */
    private static function run(): array
    {
        $counts = [
            'legs',
            'stops',
            'warnings',
            'not_known',
            'pieces',
            'pieces_to_cut',
            'joints',
            'joints_open',
            'joints_refused',
        ];

        return Shapes::object([
            'id' => self::TEXT,
            'number' => self::WHOLE,
            'name' => self::TEXT,
            'counts' => Shapes::object(array_fill_keys($counts, self::WHOLE)),
            'next' => Shapes::orNull(
                Shapes::object([
                    'severity' => ['enum' => ['stop', 'warn', 'note', 'unknown']],
                    'why' => self::TEXT,
                    'remedy' => self::TEXT,
                ]),
            ),
            'drawing' => Shapes::orNull(Shapes::ref('RunDrawing')),
        ]);
    }

    /** @return array<string, mixed> as much of a run as its fall line is drawn from */
    private static function drawing(): array
    {
        $point = Shapes::ref('Point');
        $branch = Shapes::object([
            'turn' => self::YES_NO,
            'size' => self::TEXT,
            'take_mm' => self::NUMBER,
            'reversed' => self::YES_NO,
            'taps' => Shapes::list(Shapes::object(['run' => self::TEXT, 'vent' => self::YES_NO])),
        ]);

        return Shapes::object([
            'legs' => Shapes::list(
                Shapes::object([
                    'id' => self::TEXT,
                    'laid' => self::YES_NO,
                    'size' => self::TEXT,
                    'from' => Shapes::orNull($point),
                    'to' => Shapes::orNull($point),
                ]),
            ),
            'pieces' => self::drawingPieces(),
            'fittings' => Shapes::list(
                Shapes::object([
                    'key' => self::TEXT,
                    'pattern' => self::TEXT,
                    'size' => self::TEXT,
                    'turn_deg' => ['type' => ['number', 'null']],
                    'at' => $point,
                    'in' => $point,
                    'out' => $point,
                    'into_mm' => self::NUMBER,
                    'out_of_mm' => self::NUMBER,
                    'stands' => self::YES_NO,
                    'branch' => Shapes::orNull($branch),
                ]),
            ),
            'joints' => self::drawingJoints(),
            'ends' => self::drawingEnds(),
            'system' => Shapes::object(['material' => self::TEXT]),
            'sequence' => Shapes::list(self::TEXT),
            'pipes' => self::drawingPipes(),
            'totals' => Shapes::object(['whole' => self::YES_NO]),
        ]);
    }

    /** @return array<string, mixed> */
    private static function boardPage(): array
    {
        return Shapes::object([
            'jobs' => Shapes::list(Shapes::ref('JobRow')),
            'count' => self::WHOLE,
            'next' => ['type' => ['string', 'null'], 'description' => 'What `after` of the next page is'],
        ]);
    }

    /** @return array<string, mixed> */
    private static function jobRow(): array
    {
        return Shapes::object([
            'id' => self::TEXT,
            'name' => self::TEXT,
            'revision' => self::WHOLE,
            'kept_at' => self::TEXT,
            'kept_by' => self::TEXT,
            'summary' => Shapes::orNull(Shapes::ref('JobSummary')),
            'unreadable' => ['type' => ['string', 'null'], 'description' => 'Why the job cannot be opened'],
        ]);
    }

    /** @return array<string, mixed> */
    private static function jobSummary(): array
    {
        return Shapes::object([
            'units' => ['enum' => ['inch', 'mm']],
            'rulebook' => self::TEXT,
            'runs' => self::WHOLE,
            'drawn_fill' => self::NUMBER,
            'run' => Shapes::orNull(self::run()),
        ]);
    }

    /** @return array<string, mixed> */
    private static function unreadable(): array
    {
        return Shapes::object([
            'message' => self::TEXT,
            'code' => ['const' => 'unreadable'],
            'job' => Shapes::object(['id' => self::TEXT, 'name' => self::TEXT, 'revision' => self::WHOLE]),
            'readable' => Shapes::orNull(
                Shapes::object([
                    'revision' => self::WHOLE,
                    'kept_at' => self::TEXT,
                    'kept_by' => self::TEXT,
                ]),
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function drawingPieces(): array
    {
        return Shapes::list(
            Shapes::object([
                'key' => self::TEXT,
                'size' => self::TEXT,
                'between' => self::YES_NO,
                'joint_from' => self::TEXT,
                'joint_to' => self::TEXT,
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function drawingJoints(): array
    {
        return Shapes::list(
            Shapes::object([
                'key' => self::TEXT,
                'number' => self::WHOLE,
                'fitting' => ['type' => ['string', 'null']],
            ]),
        );
    }

    /** @return array<string, mixed> */
    private static function drawingPipes(): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => Shapes::object([
                'od_mm' => self::NUMBER,
                'bore_mm' => self::NUMBER,
                'socket_depth_mm' => self::NUMBER,
                'stick_mm' => ['type' => ['number', 'null']],
            ]),
        ];
    }

    /** @return array<string, mixed> */
    private static function drawingEnds(): array
    {
        return Shapes::object([
            'outlet' => Shapes::orNull(Shapes::ref('StandingEnd')),
            'tie_in' => Shapes::orNull(Shapes::ref('StandingEnd')),
        ]);
    }
}
