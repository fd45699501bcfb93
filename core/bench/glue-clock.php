<?php

declare(strict_types=1);

use FallBend\Core\Effort\Effort;
use FallBend\Core\Sequence\Breath;
use FallBend\Core\Sequence\DayProblem;
use FallBend\Core\Sequence\DaySearch;
use FallBend\Core\Sequence\SiteJoint;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../../vendor/autoload.php';

/*
 * Plans days of many joints: how long it takes, how often the best is shown to be so, and how far the others may be
 * off.
 */

$days = (int) ($argv[1] ?? 40) ?: 40;
foreach ([8, 9, 20, 60, 200] as $count) {
    foreach ([1, 2] as $people) {
        $random = new Randomizer(new Mt19937(60 + $count));
        [$times, $optimal, $gaps] = [[], 0, []];
        for ($day = 0; $day < $days; $day++) {
            $breaths = [];
            for ($i = 0; $i < $count; $i++) {
                $needs = $i > 0 && $random->getInt(0, 2) > 0 ? ['j'.$random->getInt(max(0, $i - 5), $i - 1)] : [];
                [$make, $set, $more] = [$random->getInt(2, 8), $random->getInt(0, 30), $random->getInt(0, 60)];
                $hands = $random->getInt(0, 9) === 0 ? 2 : 1;
                $breaths[] = new Breath([
                    new SiteJoint("j{$i}", (float) $make, $hands, (float) $set, (float) ($set + $more), $needs),
                ]);
            }
            $began = hrtime(true);
            $plan = (new DaySearch(
                new DayProblem($breaths, $people, array_fill(0, $count, 0.0)),
                Effort::of(80_000),
            ))->plan();
            $times[] = (hrtime(true) - $began) / 1e6;
            $optimal += $plan->isOptimal ? 1 : 0;
            $gaps[] = $plan->boundMin > 0 ? $plan->fillMin / $plan->boundMin - 1 : 0.0;
        }
        sort($times);
        sort($gaps);
        printf(
            '%3d joints, %d people: median %6.1f ms, most %6.1f ms; shown to be best %d of %d, '.
                "over the bound by at most %.1f %%\n",
            $count,
            $people,
            $times[intdiv($days, 2)],
            $times[$days - 1],
            $optimal,
            $days,
            100 * $gaps[$days - 1],
        );
    }
}
