<?php

declare(strict_types=1);

use FallBend\Core\Tests\JointMatrix;

require __DIR__.'/../../vendor/autoload.php';

/* Runs the decision of a joint over every pair of ends that occur, in every place, under every rulebook, both ways round; on two processors where PHP can fork. */

/**
 * @param int $share which of $shares parts of the pairs
 * @return array{cases: int, faults: list<string>}
 */
function decided(JointMatrix $matrix, int $share, int $shares): array
{
    [$cases, $faults] = [0, []];
    foreach ($matrix->ends as $i => $a) {
        if ($i % $shares !== $share) {
            continue;
        }
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

    return ['cases' => $cases, 'faults' => $faults];
}

$matrix = new JointMatrix;
$began = hrtime(true);
$shares = function_exists('pcntl_fork') ? 2 : 1;
$file = tempnam(sys_get_temp_dir(), 'joints');
$child = $shares === 2 ? pcntl_fork() : -1;
if ($child === 0) {
    file_put_contents((string) $file, json_encode(decided($matrix, 1, 2), JSON_THROW_ON_ERROR));
    exit(0);
}
$parts = [decided($matrix, 0, $child > 0 ? 2 : 1)];
if ($child > 0) {
    pcntl_waitpid($child, $status);
    $parts[] = json_decode((string) file_get_contents((string) $file), true, 16, JSON_THROW_ON_ERROR);
}
unlink((string) $file);
$faults = array_merge(...array_column($parts, 'faults'));
$seconds = (hrtime(true) - $began) / 1e9;
$cases = array_sum(array_column($parts, 'cases'));
$result = [
    'ends' => count($matrix->ends),
    'cases' => $cases,
    'faults' => count($faults),
    'seconds' => round($seconds, 1),
    'cases_per_second' => (int) ($cases / $seconds),
];
if (in_array('--json', $argv, true)) {
    echo json_encode($result, JSON_THROW_ON_ERROR), "\n";
} else {
    printf(
        "%d ends, %d cases, both ways round: %d faults, %.1f s, %d cases a second\n",
        $result['ends'],
        $result['cases'],
        $result['faults'],
        $result['seconds'],
        $result['cases_per_second'],
    );
    foreach (array_slice($faults, 0, 20) as $fault) {
        echo "  {$fault}\n";
    }
}
exit($faults === [] && $cases === $matrix->count() ? 0 : 1);
