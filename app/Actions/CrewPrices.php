<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Crew;
use App\Models\OwnEntry;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Price;
use FallBend\Core\Job\StickPrice;

/**
 * What things and sticks cost a crew, whatever the job. A job has prices of its own: it says what it said when it was
 * reckoned.
 */
final readonly class CrewPrices
{
    private const MOST = 2_000;

    public function __construct(private Catalogue $catalogue, private CrewNumbers $numbers) {}

    /**
     * @return array{prices: list<array<array-key, mixed>>, sticks: list<array<array-key, mixed>>} each with who kept it
     *     and when
     */
    public function kept(?int $crewId): array
    {
        $kept = OwnEntry::ofCrew($crewId, OwnEntry::PRICES)->with('author')->get()->sortBy('place');
        $list = static fn (string $kind): array => array_values(
            $kept
                ->where('kind', $kind)
                ->map(
                    static fn (OwnEntry $entry): array => [
                        'id' => $entry->id,
                        'by' => $entry->author->name,
                        'at' => $entry->created_at?->toIso8601String() ?? '',
                    ] + (array) json_decode($entry->entry, true, 8, JSON_THROW_ON_ERROR),
                )
                ->all(),
        );

        return ['prices' => $list('price'), 'sticks' => $list('stick')];
    }

    /**
     * Keeps prices of things and of sticks; each goes in place of what was kept of the same before. All of them, or
     * none. To be
     * called inside a transaction.
     *
     * @throws BadInput at the field that is wrong
     */
    public function keep(int $crewId, int $authorId, Fields $body): void
    {
        Crew::holdOwnEntries($crewId);
        $own = $this->numbers->numbers($crewId);
        $catalogue = $this->catalogue->with($own->catalogue, $own->additions);
        $prices = Price::list($body->children('prices', self::MOST));
        $sticks = array_map(
            static fn (Fields $fields): StickPrice => StickPrice::read($fields, $catalogue),
            $body->children('sticks', self::MOST),
        );
        $body->end();
        $row = static fn (string $kind, Price|StickPrice $price): array => [
            'crew_id' => $crewId,
            'author_id' => $authorId,
            'kind' => $kind,
            'place' => $price->key(),
            'entry' => json_encode($price->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'created_at' => now(),
        ];
        OwnEntry::query()->upsert(
            [
                ...array_map(static fn (Price $price): array => $row('price', $price), $prices),
                ...array_map(static fn (StickPrice $stick): array => $row('stick', $stick), $sticks),
            ],
            ['crew_id', 'kind', 'place'],
            ['author_id', 'entry', 'created_at'],
        );
    }
}
