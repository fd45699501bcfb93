<?php

declare(strict_types=1);

use FallBend\Core\Tests\JointMatrix;

require __DIR__.'/../../vendor/autoload.php';

/* Runs the decision of a joint over every pair of ends that occur, in every place, under every rulebook, both ways round. */
$matrix = new JointMatrix;
[$began, $cases, $faults] = [hrtime(true), 0, []];
foreach ($matrix->ends as $i => $a) {
    foreach (array_slice($matrix->ends, $i) as $b) {
        foreach ($matrix->places as $place) {
            foreach ($matrix->books as $book) {
                $cases++;
                $fault = $matrix->fault($a, $b, $place, $book);
                if ($fault !== null) {
                    $faults[] = $fault;
                }
            }
        }
    }
}
$seconds = (hrtime(true) - $began) / 1e9;
$result = ['ends' => count($matrix->ends), 'cases' => $cases, 'faults' => count($faults), 'seconds' => round($seconds, 1), 'cases_per_second' => (int) ($cases / $seconds)];
if (in_array('--json', $argv, true)) {
    echo json_encode($result, JSON_THROW_ON_ERROR), "\n";
} else {
    printf("%d ends, %d cases, both ways round: %d faults, %.1f s, %d cases a second\n", $result['ends'], $result['cases'], $result['faults'], $result['seconds'], $result['cases_per_second']);
    foreach (array_slice($faults, 0, 20) as $fault) {
        echo "  {$fault}\n";
    }
}
exit($faults === [] ? 0 : 1);
