<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/**
 * What a crew set for itself: numbers and rows of the catalogue, thresholds of rulebooks. A job's own stand over it.
 */
final readonly class OwnNumbers
{
    /**
     * @param list<CatalogueOverride> $catalogue
     * @param list<RulebookOverride> $rulebook
     * @param list<CatalogueAddition> $additions
     */
    public function __construct(
        public array $catalogue = [],
        public array $rulebook = [],
        public array $additions = [],
    ) {}
}
