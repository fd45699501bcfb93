<?php

declare(strict_types=1);

use FallBend\Core\Cutting\StockCutter;
use FallBend\Core\Tests\Cutting\PerfectPackings;

require __DIR__.'/../../vendor/autoload.php';

/*
 * Cuts up full sticks and looks whether as few are found again: how often, how long it takes, and whether a mixed-integer solver does better on small ones.
 * glpsol is Debian's package glpk-utils; without it the comparison is left out, and said.
 */

$count = (int) ($argv[1] ?? 200) ?: 200;
[$times, $missed, $parts] = [[], [], 0];
foreach (PerfectPackings::generated(20_261_126, $count) as $n => $case) {
    $began = hrtime(true);
    $plan = (new StockCutter([$case->stock], $case->kerfMm, $case->parts))->plan();
    $times[] = (hrtime(true) - $began) / 1e6;
    $parts += count($case->parts);
    if ($plan->used > $case->sticks) {
        $missed[] = "{$n} ({$case->sticks} sticks: {$plan->used})";
    }
    if ($plan->bound > $plan->used) {
        exit("instance {$n}: the bound {$plan->bound} is over {$plan->used}\n");
    }
}
sort($times);
printf(
    "%d of %d found (%d parts in all); median %.1f ms, 95 of 100 within %.1f ms, most %.1f ms\n",
    $count - count($missed),
    $count,
    $parts,
    $times[intdiv($count, 2)],
    $times[(int) (0.95 * $count)],
    $times[$count - 1],
);
echo $missed === [] ? '' : '  not found: '.implode(', ', $missed)."\n";
$better = compared(PerfectPackings::generated(4, 20, 5));
exit(count($missed) > 0.02 * $count || $better > 0 ? 1 : 0);

/**
 * The model: as many sticks as the plan has, each part in one of them, none over its length, as few as can be used.
 *
 * @param list<PerfectPackings> $cases
 */
function compared(array $cases): int
{
    if (trim((string) shell_exec('command -v glpsol')) === '') {
        echo "glpsol is not there (Debian's glpk-utils): not compared\n";

        return 0;
    }
    [$better, $same, $open] = [0, 0, 0];
    foreach ($cases as $case) {
        $used = (int) (new StockCutter([$case->stock], $case->kerfMm, $case->parts))->plan()->used;
        [$stick, $sum] = [$case->stock->mm + $case->kerfMm, []];
        $model =
            "Minimize\n n: ".
            implode(' + ', array_map(static fn (int $s): string => "u{$s}", range(1, $used))).
            "\nSubject To\n";
        foreach ($case->parts as $p => $part) {
            $model .=
                ' '.implode(' + ', array_map(static fn (int $s): string => "x{$p}_{$s}", range(1, $used)))." = 1\n";
            foreach (range(1, $used) as $s) {
                $sum[$s][] = sprintf('%.6F x%d_%d', $part->mm + $case->kerfMm, $p, $s);
            }
        }
        foreach ($sum as $s => $terms) {
            $model .= ' '.implode(' + ', $terms).sprintf(" - %.6F u%d <= 0\n", $stick + 1e-5, $s);
        }
        $model .=
            "Binary\n ".
            implode("\n ", [
                ...array_map(static fn (int $s): string => "u{$s}", range(1, $used)),
                ...array_merge(
                    ...array_map(
                        static fn (int $p): array => array_map(
                            static fn (int $s): string => "x{$p}_{$s}",
                            range(1, $used),
                        ),
                        array_keys($case->parts),
                    ),
                ),
            ]).
            "\nEnd\n";
        $file = (string) tempnam(sys_get_temp_dir(), 'cut');
        file_put_contents($file, $model);
        $said = (string) shell_exec(
            'glpsol --lp '.escapeshellarg($file).' --tmlim 5 -w '.escapeshellarg("{$file}.out").' 2>&1',
        );
        $found =
            preg_match(
                '/^s mip \d+ \d+ (\w) ([\d.]+)/m',
                is_file("{$file}.out") ? (string) file_get_contents("{$file}.out") : '',
                $sol,
            ) === 1 && in_array($sol[1], ['o', 'f'], true)
                ? (int) round((float) $sol[2])
                : null;
        array_map(static fn (string $path): bool => is_file($path) && unlink($path), [$file, "{$file}.out"]);
        $better += $found !== null && $found < $used ? 1 : 0;
        $same += $found === $used ? 1 : 0;
        $open += $found === null || $found > $used || str_contains($said, 'TIME LIMIT') ? 1 : 0;
    }
    printf(
        "against glpsol on %d, 5 s each: never better in %d, better in %d; as good in %d, not finished in %d\n",
        count($cases),
        count($cases) - $better,
        $better,
        $same,
        $open,
    );

    return $better;
}
