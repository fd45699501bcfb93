<?php

declare(strict_types=1);

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;
use FallBend\Core\Report\EvaluationReport;

require __DIR__.'/../../vendor/autoload.php';

/** A job of one run with so many pieces: turns of all kinds, a rolled pair in every eighth leg. */
function jobOf(int $pieces): Job
{
    $ways = [
        [Way::Right, null],
        [Way::Left, null],
        [Way::Right, 45.0],
        [Way::Down, null],
        [Way::Ahead, null],
        [Way::Left, 45.0],
        [Way::Right, 70.0],
    ];
    $legs = [new Leg('l1', Way::North, null, Length::mm(1200))];
    for ($made = 1, $n = 2; $made < $pieces; $n++) {
        [$way, $turn] = $ways[$n % 7];
        $made += $turn === 70.0 ? 2 : 1;
        $legs[] = new Leg(
            "l{$n}",
            $way,
            $turn,
            Length::mm(800 + ($n % 5) * 300),
            fallMmPerM: $way === Way::Down ? null : 1000 / 48,
        );
    }

    return new Job(
        'bench',
        '',
        Units::Inch,
        'ipc-2021',
        [
            new Run(
                'r',
                'bench',
                'pvc-dwv-40',
                '2',
                RunUse::Drain,
                null,
                new End('outlet', RunEndKind::Socket),
                new End('tie-in', RunEndKind::Socket),
                null,
                0.0,
                $legs,
                new Marks,
                count($legs) + 1,
            ),
        ],
        [],
        [],
    );
}

/** @return float ms that one evaluation takes */
function timed(JobEvaluator $evaluator, Job $job): float
{
    $began = hrtime(true);
    (new EvaluationReport($evaluator->evaluate($job)))->toArray();

    return (hrtime(true) - $began) / 1e6;
}

/**
 * @param non-empty-list<float> $ms
 * @return array{pieces: int, median_ms: float, p95_ms: float}
 */
function summed(int $pieces, array $ms): array
{
    sort($ms);

    return [
        'pieces' => $pieces,
        'median_ms' => round($ms[intdiv(count($ms), 2)], 3),
        'p95_ms' => round($ms[(int) (count($ms) * 0.95)], 3),
    ];
}

$evaluator = new JobEvaluator(Catalogue::shipped());
[$jobs, $ms, $pieces] = [[jobOf(40), jobOf(400)], [[], []], [0, 0]];
foreach ($jobs as $which => $job) {
    for ($i = 0; $i < 10; $i++) {
        $pieces[$which] = count($evaluator->evaluate($job)->run('r')->pieces);
    }
}
// Turn by turn, so that whatever else the machine does falls on both alike.
for ($round = 0; $round < 60; $round++) {
    for ($i = 0; $i < 5; $i++) {
        $ms[0][] = timed($evaluator, $jobs[0]);
    }
    $ms[1][] = timed($evaluator, $jobs[1]);
}
[$short, $long] = [summed($pieces[0], $ms[0]), summed($pieces[1], $ms[1])];
$growth = round($long['median_ms'] / $short['median_ms'], 2);
if (in_array('--json', $argv, true)) {
    echo json_encode(['runs' => [$short, $long], 'growth' => $growth], JSON_PRETTY_PRINT), "\n";
} else {
    echo "Evaluation in the core, warm\n";
    foreach ([$short, $long] as $run) {
        printf(
            "  %3d pieces: %.2f ms median, %.2f ms at the 95th percentile\n",
            $run['pieces'],
            $run['median_ms'],
            $run['p95_ms'],
        );
    }
    printf("  %.1f times the pieces take %.1f times as long\n", $long['pieces'] / $short['pieces'], $growth);
}
