<?php

declare(strict_types=1);

use FallBend\Core\MakeUp\Search;
use FallBend\Core\Tests\MakeUp\TwoEnds;

require __DIR__.'/../../vendor/autoload.php';

/* Solves two-end problems with known answers of one to three bends: how many are solved, with no more bends than they were made of, and how long it takes. */

$count = (int) ($argv[1] ?? 500) ?: 500;
[$times, $unsolved, $more, $missed] = [[], [], [], 0.0];
foreach (TwoEnds::generated(20_261_125, $count) as $i => $case) {
    $began = hrtime(true);
    $found = (new Search($case->problem))->run();
    $times[] = (hrtime(true) - $began) / 1e6;
    if ($found->solutions === []) {
        $unsolved[] = "{$i} ({$case->kind}, {$case->bends})";
    } elseif (count($found->solutions[0]->bends()) > $case->bends) {
        $more[] = "{$i} ({$case->kind}, {$case->bends})";
    }
    foreach ($found->solutions as $solution) {
        $missed = max($missed, $solution->missMm);
    }
}
sort($times);
$at = static fn (float $share): float => round($times[min(count($times) - 1, (int) floor($share * count($times)))], 1);
$result = [
    'problems' => $count,
    'solved' => $count - count($unsolved),
    'with_more_bends' => count($more),
    'missed_most_mm' => round($missed, 3),
    'median_ms' => $at(0.5),
    'p95_ms' => $at(0.95),
    'most_ms' => $at(1.0),
];
if (in_array('--json', $argv, true)) {
    echo json_encode($result, JSON_THROW_ON_ERROR), "\n";
    exit($unsolved === [] && $more === [] ? 0 : 1);
}
printf(
    "%d of %d solved, %d with more bends than they were made of; missed by %.3f mm at most; median %.1f ms, 95 of 100 within %.1f ms, most %.1f ms\n",
    $result['solved'],
    $count,
    count($more),
    $missed,
    $result['median_ms'],
    $result['p95_ms'],
    $result['most_ms'],
);
foreach (['not solved' => $unsolved, 'with more bends' => $more] as $what => $cases) {
    if ($cases !== []) {
        echo "  {$what}: ", implode(', ', $cases), "\n";
    }
}
exit($unsolved === [] && $more === [] ? 0 : 1);
