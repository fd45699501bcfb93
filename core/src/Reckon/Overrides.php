<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAddition;
use FallBend\Core\Catalog\CatalogueAdditionFile;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Catalog\RulebookOverrideFile;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What the user sets in place of the catalogue's and the rulebook's numbers, for one computation. */
final readonly class Overrides
{
    /**
     * @param list<CatalogueOverride> $catalogue
     * @param list<RulebookOverride> $rulebook
     * @param list<CatalogueAddition> $additions rows of one's own
     */
    private function __construct(public array $catalogue, public array $rulebook, public array $additions) {}

    /** @throws BadInput */
    public static function read(Fields $input, Catalogue $catalogue): self
    {
        $fields = $input->childOrNull('overrides') ?? Fields::of([]);
        $additions = CatalogueAdditionFile::list($fields->children('rows', 500), $catalogue);
        $mine = $catalogue->with([], $additions);
        $overrides = new self(
            array_map(
                static fn (Fields $f): CatalogueOverride => CatalogueOverrideFile::read($f, $mine),
                $fields->children('catalogue', 500),
            ),
            array_map(
                static fn (Fields $f): RulebookOverride => RulebookOverrideFile::read($f, $catalogue),
                $fields->children('rulebook', 500),
            ),
            $additions,
        );
        $fields->end();

        return $overrides;
    }
}
