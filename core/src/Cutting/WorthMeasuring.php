<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Measure\Tape;

/**
 * Which fittings are worth measuring before anything is cut: those whose lengths are reckoned, with how many pieces of
 * the job that are still to be cut end in them.
 *
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type MeasureFirst array{
 *     system: string,
 *     row: string,
 *     like: 'bend'|'hub-bend'|'closet-bend'|'branch'|'hub-branch',
 *     name: string,
 *     pieces: int,
 *     runs: list<string>,
 *     doubt: Reading,
 * }
 */
final readonly class WorthMeasuring
{
    /** @param array<string, RunToCut> $runs all of the job, by id */
    public function __construct(private array $runs, private OnSite $done) {}

    /** @return list<MeasureFirst> the most useful first: what takes most doubt out of most pieces */
    public function fittings(): array
    {
        $tape = new Tape;
        $list = array_map(
            static fn (array $one): array => [
                'system' => $one['part']->provenance->table,
                'like' => $one['part']->measuredLike(),
                'row' => $one['part']->id,
                'name' => "{$one['part']->sizeInWords()} {$one['part']->name}",
                'pieces' => count($one['pieces']),
                'runs' => array_map(strval(...), array_keys($one['runs'])),
                'doubt' => $tape->reading($one['part']->mostDoubtMm()),
            ],
            $this->found(),
        );
        usort(
            $list,
            static fn (array $a, array $b): int => [$b['pieces'] * $b['doubt']['mm'], $a['name']] <=>
                [$a['pieces'] * $a['doubt']['mm'], $b['name']],
        );

        return $list;
    }

    /** @return list<array{part: Bend|Branch, pieces: array<string, true>, runs: array<string, true>}> */
    private function found(): array
    {
        $found = [];
        foreach ($this->runs as $run => $toCut) {
            foreach ($toCut->pieces as $piece) {
                if (isset($this->done->cut[$run][$piece->key])) {
                    continue;
                }
                foreach ($piece->doubt->parts ?? [] as $part) {
                    $key = "{$part->provenance->table} {$part->id}";
                    $found[$key] ??= ['part' => $part, 'pieces' => [], 'runs' => []];
                    $found[$key]['pieces']["{$run} {$piece->key}"] = true;
                    $found[$key]['runs'][$run] = true;
                }
            }
        }

        return array_values($found);
    }
}
