<?php

declare(strict_types=1);

namespace App\Api;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** The shapes of the answers, as JSON Schemas for the API description. */
final class Shapes
{
    private const NUMBER = ['type' => 'number'];

    private const TEXT = ['type' => 'string'];

    private const WHOLE = ['type' => 'integer'];

    private const YES_NO = ['type' => 'boolean'];

    private const MAYBE = ['type' => ['number', 'null']];

    private const MAYBE_TEXT = ['type' => ['string', 'null']];

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return self::job() +
            self::run() +
            self::parts() +
            JoiningShapes::all() +
            NetworkShapes::all() +
            MakeUpShapes::all() +
            BoardShapes::all() +
            self::values() +
            self::account();
    }

    /** @return array<string, mixed> a reference to a shape */
    public static function ref(string $name): array
    {
        return ['$ref' => "#/components/schemas/{$name}"];
    }

    /**
     * @param array<string, mixed> $required
     * @param array<string, mixed> $optional what may be left out
     * @return array<string, mixed>
     */
    public static function object(array $required, array $optional = []): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => false,
            'required' => array_keys($required),
            'properties' => $required + $optional,
        ];
    }

    /**
     * @param array<string, mixed> $items
     * @return array<string, mixed>
     */
    public static function list(array $items): array
    {
        return ['type' => 'array', 'items' => $items];
    }

    /**
     * @param array<string, mixed> $shape
     * @return array<string, mixed>
     */
    public static function orNull(array $shape): array
    {
        return ['oneOf' => [$shape, ['type' => 'null']]];
    }

    /** @return array<string, array<string, mixed>> */
    private static function job(): array
    {
        $kept = [
            'id' => self::TEXT,
            'name' => self::TEXT,
            'revision' => self::WHOLE,
            'kept_at' => self::TEXT,
            'kept_by' => self::TEXT,
            'can_undo' => self::YES_NO,
            'can_redo' => self::YES_NO,
        ];

        return [
            'Job' => self::object(
                $kept + ['document' => self::ref('JobDocument'), 'evaluation' => self::ref('Evaluation')],
            ),
            'Evaluated' => self::evaluated(),
            'EvaluatedInParts' => self::object(['changed' => self::ref('DocumentChange')] + self::inParts()),
            'KeptInParts' => self::object($kept + ['changed' => self::ref('DocumentChange')] + self::inParts()),
            'JobInParts' => self::object($kept + ['document' => self::ref('JobDocument')] + self::inParts()),
            'DocumentChange' => self::documentChange(),
            'Phrase' => self::phrase(),
            'Want' => self::want(),
            'Evaluation' => self::evaluation(),
            'StandingReport' => self::standingReport(),
        ];
    }

    /** @return array<string, mixed> what an answer in parts has, whatever it is an answer to */
    private static function inParts(): array
    {
        return [
            'phrases' => self::list(self::ref('Phrase')),
            'parts' => [
                'type' => 'object',
                'additionalProperties' => self::object([
                    'hash' => self::TEXT,
                    'value' => ['description' => 'Of the shape of the part'],
                ]),
                'description' => 'Those of the wanted parts that say something else than what the asker has; null: the job has no such part',
            ],
            'later' => self::list(self::TEXT),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function run(): array
    {
        return [
            'RunReport' => self::runReport(),
            'StandingEnd' => self::standingEnd(),
            'LegReport' => self::legReport(),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function parts(): array
    {
        return [
            'PieceReport' => self::pieceReport(),
            'JointReport' => self::jointReport(),
            'FittingReport' => self::fittingReport(),
            'Finding' => self::finding(),
        ];
    }

    /** @return array<string, array<string, mixed>> what the register says of a joint */
    private static function registered(): array
    {
        return [
            'method' => self::MAYBE_TEXT,
            'method_name' => self::TEXT,
            'state' => ['enum' => ['own', 'chosen', 'best', 'refused', 'unknown', 'none']],
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function values(): array
    {
        return [
            'Lengths' => self::object([
                'lengths' => self::list(self::object([
                    'read' => self::orNull(self::ref('Tape')),
                    'problem' => self::MAYBE_TEXT,
                ])),
            ]),
            'Tape' => self::object([
                'mm' => self::NUMBER,
                'inch' => self::TEXT,
                'feet' => self::TEXT,
                'metric' => self::TEXT,
            ]),
            'Point' => self::object(['x' => self::NUMBER, 'y' => self::NUMBER, 'z' => self::NUMBER]),
            'Source' => self::object([
                'table' => self::TEXT,
                'row' => self::TEXT,
                'source' => self::TEXT,
                'confidence' => ['enum' => ['high', 'medium', 'low']],
                'status' => ['enum' => Provenance::STATUSES],
            ]),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function account(): array
    {
        return [
            'Account' => self::object([
                'name' => self::TEXT,
                'email' => self::TEXT,
                'crews' => self::list(self::object(['id' => self::WHOLE, 'name' => self::TEXT])),
            ]),
            'Choices' => self::object(
                array_fill_keys(
                    [
                        'outlets',
                        'tie_ins',
                        'fixtures',
                        'traps',
                        'patterns',
                        'hung_trap_fixtures',
                        'hung_traps',
                        'cut_in_patterns',
                    ],
                    self::list(self::object(['key' => self::TEXT, 'name' => self::TEXT])),
                ) + [
                    'rulebooks' => self::list(
                        self::object([
                            'key' => self::TEXT,
                            'name' => self::TEXT,
                            'units' => ['enum' => ['inch', 'mm']],
                        ]),
                    ),
                ],
            ),
            'Problem' => [
                'type' => 'object',
                'required' => ['message'],
                'properties' => [
                    'message' => self::TEXT,
                    'code' => self::TEXT,
                    'errors' => ['type' => 'object', 'additionalProperties' => self::list(self::TEXT)],
                ],
            ],
            'Stale' => self::object([
                'message' => self::TEXT,
                'code' => ['const' => 'stale'],
                'changed_by' => self::list(self::TEXT),
                'current' => self::ref('Job'),
            ]),
            'ReckonProblem' => self::object([
                'error' => self::object(['field' => self::TEXT, 'message' => self::TEXT, 'given' => (object) []]),
            ]),
        ];
    }

    /** @return array<string, mixed> */
    private static function runReport(): array
    {
        return self::object([
            'id' => self::TEXT,
            'call_out' => self::TEXT,
            'legs' => self::list(self::ref('LegReport')),
            'pieces' => self::list(self::ref('PieceReport')),
            'joints' => self::list(self::ref('JointReport')),
            'fittings' => self::list(self::ref('FittingReport')),
            'sequence' => self::list(self::TEXT),
            'pipes' => self::runPipes(),
            'unmet' => self::list(
                self::object(['run' => self::TEXT, 'leg' => self::TEXT, 'trouble' => self::TEXT]),
            ),
            'ends' => self::object([
                'outlet' => self::orNull(self::ref('StandingEnd')),
                'tie_in' => self::orNull(self::ref('StandingEnd')),
            ]),
            'system' => self::runSystem(),
            'totals' => self::runTotals(),
            'end' => self::ref('Point'),
            'findings' => self::list(self::ref('Finding')),
            'sources' => self::list(self::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function standingEnd(): array
    {
        return self::object([
            'name' => self::TEXT,
            'known' => self::YES_NO,
            'kind' => self::TEXT,
            'letters' => self::TEXT,
            'material' => self::TEXT,
            'od_mm' => self::NUMBER,
            'bore_mm' => self::NUMBER,
            'depth_mm' => self::NUMBER,
            'method' => self::MAYBE_TEXT,
            'sleeve' => self::YES_NO,
            'reach_mm' => self::MAYBE,
        ]);
    }

    /** @return array<string, mixed> */
    private static function legReport(): array
    {
        return self::object([
            'id' => self::TEXT,
            'number' => self::WHOLE,
            'phrase' => self::TEXT,
            'read_back' => self::TEXT,
            'what' => self::TEXT,
            'way' => self::TEXT,
            'read' => self::YES_NO,
            'laid' => self::YES_NO,
            'size' => self::TEXT,
            'length' => self::orNull(self::ref('Tape')),
            'drop' => self::orNull(self::ref('Tape')),
            'fall' => self::orNull(
                self::object(['mm_per_m' => self::NUMBER, 'inch' => self::TEXT, 'metric' => self::TEXT]),
            ),
            'upright' => self::YES_NO,
            'heading_deg' => ['type' => ['number', 'null']],
            'dip_deg' => ['type' => ['number', 'null']],
            'from' => self::orNull(self::ref('Point')),
            'to' => self::orNull(self::ref('Point')),
            'tape_mm' => ['type' => ['number', 'null']],
            'pieces' => self::list(self::TEXT),
            'shortfall' => self::orNull(self::ref('Tape')),
            'turn_deg' => ['type' => ['number', 'null']],
        ]);
    }

    /** @return array<string, mixed> */
    private static function pieceReport(): array
    {
        return self::object([
            'key' => self::TEXT,
            'letter' => self::TEXT,
            'leg' => self::WHOLE,
            'leg_id' => self::TEXT,
            'size' => self::TEXT,
            'cut' => self::ref('Tape'),
            'known' => self::YES_NO,
            'least_mm' => self::NUMBER,
            'from' => self::ref('Point'),
            'to' => self::ref('Point'),
            'depth_from' => self::ref('Tape'),
            'depth_to' => self::ref('Tape'),
            'joint_from' => self::TEXT,
            'joint_to' => self::TEXT,
            'between' => self::YES_NO,
            'upright' => self::YES_NO,
        ]);
    }

    /** @return array<string, mixed> */
    private static function jointReport(): array
    {
        return self::object(
            [
                'key' => self::TEXT,
                'number' => self::WHOLE,
                'leg' => self::WHOLE,
                'fitting' => ['type' => ['string', 'null']],
                'size' => self::TEXT,
                'at' => self::ref('Point'),
                'level' => self::ref('Tape'),
                'tape_mm' => self::NUMBER,
                'depth' => self::ref('Tape'),
                'strain_deg' => self::NUMBER,
                'name' => self::TEXT,
            ] + self::registered(),
        );
    }

    /** @return array<string, mixed> */
    private static function fittingReport(): array
    {
        return self::object([
            'key' => self::TEXT,
            'leg' => self::WHOLE,
            'row' => self::TEXT,
            'pattern' => self::TEXT,
            'street' => self::YES_NO,
            'size' => self::TEXT,
            'reduces_to' => ['type' => ['string', 'null']],
            'name' => self::TEXT,
            'maker_name' => self::TEXT,
            'turn_deg' => ['type' => ['number', 'null']],
            'nominal_deg' => ['type' => ['number', 'null']],
            'roll_deg' => ['type' => ['number', 'null']],
            'mark' => self::orNull(self::ref('Tape')),
            'strain_deg' => self::NUMBER,
            'at' => self::ref('Point'),
            'in' => self::ref('Point'),
            'out' => self::ref('Point'),
            'into_mm' => self::NUMBER,
            'out_of_mm' => self::NUMBER,
            'stands' => self::YES_NO,
            'take_off' => self::ref('Tape'),
            'known' => self::YES_NO,
            'branch' => NetworkShapes::branch(),
            'doubtful' => self::YES_NO,
            'source' => self::ref('Source'),
        ]);
    }

    /** @return array<string, mixed> */
    private static function finding(): array
    {
        return self::object([
            'rule' => ['enum' => array_column(RuleId::cases(), 'value')],
            'severity' => ['enum' => array_column(Severity::cases(), 'value')],
            'where' => self::object([
                'leg' => ['type' => ['integer', 'null']],
                'leg_id' => ['type' => ['string', 'null']],
                'piece' => ['type' => ['string', 'null']],
                'joint' => ['type' => ['integer', 'null']],
                'tape_mm' => ['type' => ['number', 'null']],
            ]),
            'measured' => ['type' => ['number', 'null']],
            'limit' => ['type' => ['number', 'null']],
            'params' => ['type' => 'object', 'additionalProperties' => ['type' => ['number', 'string']]],
            'title' => self::TEXT,
            'why' => self::TEXT,
            'remedy' => self::TEXT,
            'source' => self::orNull(self::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function evaluated(): array
    {
        return self::object([
            'document' => self::ref('JobDocument'),
            'evaluation' => self::ref('Evaluation'),
        ]);
    }

    /** @return array<string, mixed> */
    private static function documentChange(): array
    {
        return self::object([
            'set' => [
                'type' => 'object',
                'additionalProperties' => true,
                'description' => 'Fields of the document that are other than they were sent',
            ],
            'gone' => self::list(self::TEXT),
            'runs' => self::list(self::ref('JobRun')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function phrase(): array
    {
        return self::object([
            'text' => self::TEXT,
            'at' => self::WHOLE,
            'unread' => self::list(
                self::object(['at' => self::WHOLE, 'length' => self::WHOLE, 'message' => self::TEXT]),
            ),
        ]);
    }

    /** @return array<string, mixed> */
    private static function want(): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => ['type' => 'string', 'maxLength' => 16],
            'description' => 'The parts that are wanted by name (job, singles, places, fixtures, pipes, crossings, run:ID, run:* for every run, cut:ID), '.
                'each with the hash of what the asker has, or empty; without it the whole evaluation is answered',
        ];
    }

    /** @return array<string, mixed> */
    private static function evaluation(): array
    {
        return self::object([
            'units' => ['enum' => ['inch', 'mm']],
            'rulebook' => self::object(['id' => self::TEXT, 'name' => self::TEXT, 'style' => self::TEXT]),
            'drawn_fill' => self::NUMBER,
            'saw_kerf' => self::ref('Tape'),
            'phrases' => self::list(self::ref('Phrase')),
            'runs' => self::list(self::ref('RunReport')),
            'network' => self::ref('NetworkReport'),
            'singles' => self::list(self::object(['id' => self::TEXT, 'name' => self::TEXT] + self::registered())),
            'standing' => self::list(self::ref('StandingReport')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function standingReport(): array
    {
        return self::object([
            'id' => self::TEXT,
            'known' => self::YES_NO,
            'said' => self::TEXT,
            'letters' => self::TEXT,
            'material' => self::TEXT,
            'od_mm' => self::MAYBE,
            'bore_mm' => self::MAYBE,
            'source' => self::orNull(self::ref('Source')),
        ]);
    }

    /** @return array<string, mixed> */
    private static function runPipes(): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => self::object([
                'od_mm' => self::NUMBER,
                'bore_mm' => self::NUMBER,
                'socket_depth_mm' => self::NUMBER,
                'stick_mm' => self::MAYBE,
            ]),
        ];
    }

    /** @return array<string, mixed> */
    private static function runSystem(): array
    {
        return self::object([
            'key' => self::TEXT,
            'name' => self::TEXT,
            'letters' => self::TEXT,
            'material' => self::TEXT,
            'own_joint' => self::MAYBE_TEXT,
        ]);
    }

    /** @return array<string, mixed> */
    private static function runTotals(): array
    {
        return self::object([
            'tape' => self::ref('Tape'),
            'fall' => self::ref('Tape'),
            'level_difference' => self::orNull(self::ref('Tape')),
            'remaining' => self::orNull(self::ref('Tape')),
            'whole' => self::YES_NO,
        ]);
    }
}
