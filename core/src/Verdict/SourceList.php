<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

use FallBend\Core\Catalog\Provenance;

/**
 * The rows of tables that an answer rests on, each once.
 *
 * @phpstan-import-type Source from Provenance
 */
final class SourceList
{
    /**
     * @param iterable<?Provenance> $provenances
     * @return list<Source>
     */
    public static function list(iterable $provenances): array
    {
        $sources = [];
        foreach ($provenances as $provenance) {
            if ($provenance !== null) {
                $sources[$provenance->table.' '.$provenance->row] = $provenance->toArray();
            }
        }

        return array_values($sources);
    }
}
