<?php

declare(strict_types=1);

namespace App\Api;

use App\Actions\BoardAsked;
use App\Models\OwnEntry;

/**
 * The shapes of answers that are put together of texts of JSON, and of what is stored as JSON; all others are those of
 * `Answers`. And what shapes are made of.
 */
final class Shapes
{
    public const STICK_PRICE = [
        'system' => self::TEXT,
        'size' => self::TEXT,
        'length_mm' => self::NUMBER,
        'price' => self::NUMBER,
    ];

    private const NUMBER = ['type' => 'number'];

    private const TEXT = ['type' => 'string'];

    private const WHOLE = ['type' => 'integer'];

    private const YES_NO = ['type' => 'boolean'];

    private const MAYBE_TEXT = ['type' => ['string', 'null']];

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return self::job() + self::board() + self::ownNumbers() + self::problems() + Answers::all();
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
            'Evaluated' => self::object([
                'document' => self::ref('JobDocument'),
                'evaluation' => self::ref('Evaluation'),
            ]),
            'EvaluatedInParts' => self::object(['changed' => self::ref('DocumentChange')] + self::inParts()),
            'KeptInParts' => self::object($kept + ['changed' => self::ref('DocumentChange')] + self::inParts()),
            'JobInParts' => self::object($kept + ['document' => self::ref('JobDocument')] + self::inParts()),
            'DocumentChange' => self::documentChange(),
            'Want' => self::want(),
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
    private static function want(): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => ['type' => 'string', 'maxLength' => 16],
            'description' => 'The parts that are wanted by name (job, singles, places, fixtures, pipes, crossings, run:ID, run:* for every run, cut:ID), '.
                'each with the hash of what the asker has, or empty; without it the whole evaluation is answered',
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function board(): array
    {
        return [
            'BoardPage' => self::object([
                'jobs' => self::list(self::ref('JobRow')),
                'count' => self::WHOLE,
                'next' => ['type' => ['string', 'null'], 'description' => 'What `after` of the next page is'],
                'shelves' => self::object(array_fill_keys(BoardAsked::SHELVES, self::WHOLE)),
                'people' => self::list(self::object(['id' => self::WHOLE, 'name' => self::TEXT])),
                'projects' => self::list(
                    self::object(['name' => self::TEXT, 'jobs' => self::WHOLE, 'signed' => self::WHOLE]),
                ),
            ]),
            'JobRow' => self::object([
                'id' => self::TEXT,
                'name' => self::TEXT,
                'project' => self::TEXT,
                'revision' => self::WHOLE,
                'kept_at' => self::TEXT,
                'kept_by' => self::TEXT,
                'summary' => self::orNull(self::ref('JobSummary')),
                'unreadable' => ['type' => ['string', 'null'], 'description' => 'Why the job cannot be opened'],
                'deleted_by' => ['type' => ['string', 'null'], 'description' => 'Who deleted it'],
                'gone_on' => ['type' => ['string', 'null'], 'description' => 'Until when it can be put back'],
            ]),
        ];
    }

    /** @return array<string, array<string, mixed>> what a crew set for itself */
    private static function ownNumbers(): array
    {
        $kept = ['id' => self::WHOLE, 'by' => self::TEXT, 'at' => self::TEXT];
        $price = ['what' => self::TEXT, 'size' => self::TEXT, 'pipe' => self::TEXT, 'each' => self::NUMBER];

        return [
            'OwnEntry' => self::object([
                'id' => self::WHOLE,
                'kind' => ['enum' => OwnEntry::OF_CATALOGUE],
                'entry' => ['type' => 'object'],
                'by' => self::TEXT,
                'at' => self::TEXT,
                'unusable' => self::MAYBE_TEXT,
            ]),
            'Amendments' => self::object(
                [
                    'name' => self::TEXT,
                    'rulebook' => self::TEXT,
                    'said_by' => self::TEXT,
                    'said_on' => self::TEXT,
                    'rows' => self::list(
                        self::object(['threshold' => self::TEXT, 'value' => self::NUMBER], ['note' => self::TEXT]),
                    ),
                ],
            ),
            'KeptAmendments' => self::object($kept + [
                'unusable' => self::MAYBE_TEXT,
                'amendments' => self::ref('Amendments'),
            ]),
            'CrewPrices' => self::object([
                'prices' => self::list(self::object($kept + $price)),
                'sticks' => self::list(self::object($kept + self::STICK_PRICE)),
            ]),
        ];
    }

    /** @return array<string, array<string, mixed>> */
    private static function problems(): array
    {
        return [
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
}
