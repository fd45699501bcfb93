<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A number that the user measured on the part in hand, in place of the catalogue's. */
final readonly class CatalogueOverride
{
    private function __construct(public string $system, public string $row, public float $takeOffMm, public ?float $spigotMm, public string $source) {}

    /**
     * Reads `{system, row, take_off_mm, spigot_mm?, source?}`. For a coupling or a bushing `take_off_mm` is the distance across its stops.
     *
     * @throws BadInput if the system or the row is not in the catalogue, or the number is out of range
     */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $system = $fields->choice('system', $catalogue->systemKeys());
        $row = $fields->string('row');
        $known = $catalogue->system($system);
        if (! isset($known->bends[$row]) && ! isset($known->straights[$row])) {
            throw BadInput::at($fields->at('row'), 'is no fitting of the catalogue', $row);
        }
        $override = new self($system, $row, $fields->number('take_off_mm', 0, 2000), $fields->numberOrNull('spigot_mm', 0, 2000), $fields->stringOr('source', 'measured on the fitting in hand'));
        $fields->end();

        return $override;
    }

    /** @return array<string, string|float> */
    public function toArray(): array
    {
        return ['system' => $this->system, 'row' => $this->row, 'take_off_mm' => $this->takeOffMm]
            + ($this->spigotMm === null ? [] : ['spigot_mm' => $this->spigotMm]) + ['source' => $this->source];
    }
}
