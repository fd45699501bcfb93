<?php

declare(strict_types=1);

// What a number of crews takes: the model of docs/scale-out.md, and a simulation of its busiest minutes against it.
// What a request takes of a core and a row of a disk was measured (`bin/bench load`, `bin/bench http`); what
// people do in a day is assumed, and said. php tests/Bench/capacity.php [CREWS...]

/** Milliseconds of a core that it takes with all behind it (nginx, PHP, the database on the same machine), measured. */
const CORE_MS = ['type' => 13.0, 'read' => 9.0, 'keep' => 17.0, 'tick' => 12.0];
/** How much service times scatter: the standard deviation as a part of the mean. */
const SCATTER = 0.5;
/** People of a crew, and how long each of them edits and has a page open in a day. */
const PEOPLE = 3;
const EDITING_S = 1.5 * 3600;
const OPEN_S = 4 * 3600;
/** What somebody who edits does, of a hundred acts, one a second; an open page reads the log every four seconds. */
const ACTS = ['type' => 60, 'read' => 20, 'keep' => 12, 'tick' => 8];
const READS_EVERY_S = 4;
/** The part of a day that falls into its busiest hour, and the days of a year. */
const BUSIEST = 0.15;
const DAYS = 230;
/** Cores are bought for this much of their time. */
const USED = 0.6;
/** Bytes of a row with its indexes, measured. */
const ROW_BYTES = ['keep' => 2400, 'tick' => 850];
/** Acts a second that three nodes of the database take: a quarter of the single rows that they took, measured. */
const MOST_COMMITS = 1_000.0;

/** @return array<string, float> requests a second in the busiest hour, by what is asked */
function demand(int $crews): array
{
    $people = $crews * PEOPLE;
    $aSecond = static fn (float $aDay): float => $people * $aDay * BUSIEST / 3600;
    $of = [];
    foreach (ACTS as $act => $share) {
        $of[$act] = $aSecond(EDITING_S * $share / 100);
    }
    $of['read'] += $aSecond(OPEN_S / READS_EVERY_S);

    return $of;
}

/**
 * Cores that are busy, were there no waiting.
 *
 * @param array<string, float> $demand
 */
function busyCores(array $demand): float
{
    $busy = 0.0;
    foreach ($demand as $act => $rate) {
        $busy += $rate * CORE_MS[$act] / 1000;
    }

    return $busy;
}

/**
 * Plays requests as they come by chance, each taken by the core that is free first.
 *
 * @param array<string, float> $demand
 * @return array{float, float, float} how busy the cores were, and milliseconds waited at p50 and p95
 */
function play(array $demand, int $cores, float $seconds): array
{
    mt_srand(13);
    $chance = static fn (): float => (mt_rand() + 0.5) / (mt_getrandmax() + 1);
    $rate = array_sum($demand);
    $free = new SplMinHeap;
    for ($i = 0; $i < $cores; $i++) {
        $free->insert(0.0);
    }
    [$now, $busy, $waits] = [0.0, 0.0, []];
    // Service times by the gamma distribution with the shape that gives their scatter, as a sum of exponential ones.
    $shape = (int) round(1 / SCATTER ** 2);
    while ($now < $seconds) {
        $now += -log($chance()) / $rate;
        $at = $chance() * $rate;
        $act = '';
        foreach ($demand as $act => $share) {
            if (($at -= $share) <= 0) {
                break;
            }
        }
        $takes = 0.0;
        for ($i = 0; $i < $shape; $i++) {
            $takes += -log($chance()) * CORE_MS[$act] / 1000 / $shape;
        }
        $begins = max($now, $free->extract());
        $waits[] = 1000 * ($begins - $now);
        $busy += $takes;
        $free->insert($begins + $takes);
    }
    sort($waits);
    $of = static fn (float $share): float => $waits[(int) (count($waits) * $share)];

    return [$busy / $seconds / $cores, $of(0.5), $of(0.95)];
}

$counts = array_map(intval(...), array_slice($argv, 1));
printf(
    "%8s %10s %9s %7s %7s %9s %9s %10s %10s\n",
    'crews',
    'requests/s',
    'commits/s',
    'cores',
    'busy',
    'p50 wait',
    'p95 wait',
    'rows/year',
    'GB/year',
);
foreach ($counts === [] ? [10, 100, 1_000, 10_000] : $counts as $crews) {
    $demand = demand($crews);
    $cores = max(2, (int) ceil(busyCores($demand) / USED));
    [$busy, $p50, $p95] = play($demand, $cores, min(600.0, 1_000_000 / array_sum($demand)));
    $commits = $demand['keep'] + $demand['tick'];
    $aYear = $crews * PEOPLE * EDITING_S * DAYS;
    $rows = $aYear * (ACTS['keep'] + ACTS['tick']) / 100;
    $bytes = $aYear * (ACTS['keep'] * ROW_BYTES['keep'] + ACTS['tick'] * ROW_BYTES['tick']) / 100;
    $said = busyCores($demand) / $cores;
    printf(
        "%8d %10.0f %9.1f %7d %6.0f%% %6.1f ms %6.1f ms %10.2e %10.0f%s\n",
        $crews,
        array_sum($demand),
        $commits,
        $cores,
        100 * $busy,
        $p50,
        $p95,
        $rows,
        $bytes / 1e9,
        $commits > MOST_COMMITS ? sprintf('  %d databases', ceil($commits / MOST_COMMITS)) : '',
    );
    if ($cores > 2 && abs($busy - $said) > 0.03) {
        fprintf(STDERR, "The model says %.0f%% busy, the simulation %.0f%%.\n", 100 * $said, 100 * $busy);
        exit(1);
    }
}
