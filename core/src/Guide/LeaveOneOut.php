<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Input\Fields;

/**
 * How well lengths are reckoned that a table does state: each stated length is taken out, reckoned from all others, and
 * compared.
 *
 * @phpstan-type LeftOut array{
 *     system: string,
 *     row: string,
 *     length: string,
 *     stated_mm: float,
 *     reckoned_mm: float,
 *     doubt_mm: float,
 * }
 */
final readonly class LeaveOneOut
{
    public function __construct(private Catalogue $catalogue) {}

    /** @return list<LeftOut> every stated length of a fitting, in the order of the tables */
    public function lengths(): array
    {
        $lengths = [];
        foreach ($this->catalogue->systemKeys() as $key) {
            if ($this->catalogue->family($key) !== null) {
                $table = $this->catalogue->table($key);
                array_push(
                    $lengths,
                    ...$this->of($key, $table, 'bends', ['take_off_mm', 'spigot_mm']),
                    ...$this->of($key, $table, 'branches', ['run_in_mm', 'run_out_mm', 'branch_mm', 'over_all_mm']),
                );
            }
        }

        return $lengths;
    }

    /**
     * @param array<string, mixed> $table
     * @param list<string> $names
     * @return list<LeftOut>
     */
    private function of(string $system, array $table, string $group, array $names): array
    {
        $lengths = [];
        foreach (is_array($table[$group] ?? null) ? $table[$group] : [] as $i => $row) {
            $fields = Fields::of($row);
            if (! $this->isMeasuredAgainst($system, $group, $fields)) {
                continue;
            }
            foreach ($names as $name) {
                $stated = $fields->numberOrNull($name);
                if ($stated !== null) {
                    $id = $fields->string('id');
                    $others = self::without($table, $group, $i, $name);
                    [$mm, $doubt] = $this->reckoned($system, $others, $group, $id, $name);
                    $lengths[] = [
                        'system' => $system,
                        'row' => $id,
                        'length' => $name,
                        'stated_mm' => $stated,
                        'reckoned_mm' => $mm,
                        'doubt_mm' => $doubt,
                    ];
                }
            }
        }

        return $lengths;
    }

    /**
     * An assumed length is none to be measured against, nor that of a sweep: its row has the radius that follows from
     * it.
     */
    private function isMeasuredAgainst(string $system, string $group, Fields $row): bool
    {
        $short = $this->catalogue->family($system)->shortPatterns ?? [];

        return $row->string('status') !== 'assumed' &&
            ($group !== 'bends' || in_array($row->string('pattern'), $short, true));
    }

    /**
     * @param array<string, mixed> $table
     * @return array<string, mixed>
     */
    private static function without(array $table, string $group, int|string $i, string $name): array
    {
        $rows = is_array($table[$group]) ? $table[$group] : [];
        $row = is_array($rows[$i]) ? $rows[$i] : [];

        return [$group => [$i => [$name => null] + $row] + $rows] + $table;
    }

    /**
     * @param array<string, mixed> $table
     * @return array{float, float} what it comes to, and what that may be off
     */
    private function reckoned(string $key, array $table, string $group, string $id, string $name): array
    {
        $rows = is_array($table[$group]) ? $table[$group] : [];
        ksort($rows);
        $system = PipeSystem::read(
            Fields::of([$group => array_values($rows)] + $table),
            $this->catalogue->assumption('od-tolerance')->value,
            $this->catalogue->family($key),
        );
        $part = $group === 'bends' ? $system->bends[$id] : $system->branches[$id];
        $gap = $system->pipe($part->size)->gapMm;

        return match (true) {
            $part instanceof Bend && $name === 'spigot_mm' => [$part->spigotMm ?? 0.0, $part->spigotDoubtMm],
            $part instanceof Bend => [$part->takeOffMm - $gap, $part->doubtMm],
            $name === 'over_all_mm' => [$part->runInMm + $part->runOutMm - 2 * $gap, $part->mostDoubtMm()],
            default => self::lengthOf($part, $name, $gap),
        };
    }

    /** @return array{float, float} */
    private static function lengthOf(Branch $part, string $name, float $gapMm): array
    {
        return match ($name) {
            'run_in_mm' => [$part->runInMm - $gapMm, $part->runInDoubtMm],
            'run_out_mm' => [$part->runOutMm - $gapMm, $part->runOutDoubtMm],
            default => [$part->branchMm - $gapMm, $part->branchDoubtMm],
        };
    }
}
