<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\OwnEntry;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAddition;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Support\Collection;

/** The numbers and rows that a crew set for itself, as the core takes them. */
final readonly class CrewNumbers
{
    public function __construct(private Catalogue $catalogue) {}

    public function of(?int $crewId): OwnNumbers
    {
        if ($crewId === null) {
            return new OwnNumbers;
        }
        /** @var Collection<int, OwnEntry> $entries */
        $entries = OwnEntry::ofCrew($crewId, OwnEntry::OF_CATALOGUE)->get()->sortBy('id');
        $read = static fn (string $kind): array => array_values($entries->where('kind', $kind)->map(static fn (OwnEntry $entry): Fields => Fields::of(json_decode($entry->entry, true, 64, JSON_THROW_ON_ERROR)))->all());
        $additions = array_map(fn (Fields $fields): CatalogueAddition => CatalogueAddition::read($fields, $this->catalogue), $read('row'));
        $mine = $this->catalogue->with([], $additions);

        return new OwnNumbers(
            array_map(static fn (Fields $fields): CatalogueOverride => CatalogueOverride::read($fields, $mine), $read('number')),
            array_map(static fn (Fields $fields): RulebookOverride => RulebookOverride::read($fields, $mine), $read('threshold')),
            $additions,
        );
    }

    /**
     * Sets a number, adds a row, or sets a threshold; what stood at the same place before is replaced.
     *
     * @param array<array-key, mixed> $entry as the job file has it
     *
     * @throws BadInput
     */
    public function keep(int $crewId, int $authorId, string $kind, array $entry): OwnEntry
    {
        $own = $this->of($crewId);
        $fields = Fields::of($entry, 'entry');
        $read = match ($kind) {
            'number' => CatalogueOverride::read($fields, $this->catalogue->with([], $own->additions)),
            'threshold' => RulebookOverride::read($fields, $this->catalogue),
            default => CatalogueAddition::read($fields, $this->catalogue),
        };
        $place = match (true) {
            $read instanceof CatalogueOverride => "{$read->table} {$read->row} {$read->field}",
            $read instanceof RulebookOverride => "{$read->rulebook} {$read->threshold}",
            default => $read->table.' '.(is_string($read->row['id'] ?? null) ? $read->row['id'] : ''),
        };
        OwnEntry::query()->where(['crew_id' => $crewId, 'kind' => $kind, 'place' => $place])->delete();

        return OwnEntry::query()->create(['crew_id' => $crewId, 'author_id' => $authorId, 'kind' => $kind, 'place' => $place, 'entry' => json_encode($read->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
    }
}
