<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Crew;
use App\Models\OwnEntry;
use FallBend\Core\Catalog\Amendments;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What towns and inspectors have otherwise than the books, as a crew keeps it under names. A job takes one along in its
 * own file: it says what it said, whatever the crew keeps later.
 */
final readonly class CrewAmendments
{
    /** So many of them a crew may keep. */
    private const MOST = 200;

    public function __construct(private Catalogue $catalogue) {}

    /**
     * @return list<array<string, mixed>> each with who kept it and when, and under `unusable` why it cannot be read any
     *     more
     */
    public function kept(?int $crewId): array
    {
        $kept = OwnEntry::ofCrew($crewId, [OwnEntry::AMENDMENTS])->with('author')->get()->sortBy('place');

        return array_values($kept->map($this->written(...))->all());
    }

    /**
     * Keeps amendments; they go in place of those of the same name. To be called inside a transaction.
     *
     * @throws BadInput at the field that is wrong
     */
    public function keep(int $crewId, int $authorId, Fields $fields): void
    {
        Crew::holdOwnEntries($crewId);
        $amendments = Amendments::read($fields, $this->catalogue);
        $place = ['crew_id' => $crewId, 'kind' => OwnEntry::AMENDMENTS, 'place' => $amendments->name];
        $others = OwnEntry::ofCrew($crewId, [OwnEntry::AMENDMENTS])->where('place', '!=', $amendments->name);
        if ($others->count() >= self::MOST) {
            throw BadInput::at('name', 'cannot be kept: a crew keeps '.self::MOST.' amendments');
        }
        OwnEntry::query()->where($place)->delete();
        OwnEntry::query()->create(
            $place + [
                'author_id' => $authorId,
                'entry' => json_encode($amendments->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ],
        );
    }

    /** @return array<string, mixed> */
    private function written(OwnEntry $entry): array
    {
        $said = json_decode($entry->entry, true, 16, JSON_THROW_ON_ERROR);
        try {
            Amendments::read(Fields::of($said, 'amendments'), $this->catalogue);
            $unusable = null;
        } catch (BadInput $bad) {
            $unusable = "{$bad->field}: {$bad->getMessage()}";
        }

        return [
            'id' => $entry->id,
            'by' => $entry->author->name,
            'at' => $entry->created_at?->toIso8601String() ?? '',
            'unusable' => $unusable,
            'amendments' => $said,
        ];
    }
}
