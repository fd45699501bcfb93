<?php

declare(strict_types=1);

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Tests\FlatBlock;

require __DIR__.'/../../vendor/autoload.php';

/* Measures whole blocks of flats laid out, hung together and judged: how the time grows from 500 to 50,000 pieces; and the memory at 5,000. Cold runs are processes of their own. */

if (($argv[1] ?? '') === '--one') {
    $flats = (int) $argv[2];
    $block = FlatBlock::of($flats);
    $began = hrtime(true);
    $catalogue = Catalogue::shipped();
    $job = new EvaluatedJob(
        $block,
        $catalogue,
        $catalogue->rulebook('ipc-2021'),
        new RuleSet($catalogue),
        new NetworkRuleSet,
        Effort::unlimited(),
    );
    $pieces = 0;
    foreach ($job->layout()->ids() as $id) {
        $job->findings($id);
        $pieces += count($job->run($id)->pieces);
    }
    $cold = (hrtime(true) - $began) / 1e6;
    $peak = memory_get_peak_usage() / 1048576;
    echo json_encode(
        ['flats' => $flats, 'pieces' => $pieces, 'cold_ms' => round($cold, 1), 'memory_mib' => round($peak, 1)],
        JSON_THROW_ON_ERROR,
    ),
    "\n";
    exit(0);
}

$results = [];
foreach ([5, 48, 480] as $flats) {
    $flags =
        '-d memory_limit=-1 -d zend.enable_gc=0 -d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=tracing';
    $tries = array_map(
        static fn (): array => json_decode(
            (string) shell_exec(PHP_BINARY." {$flags} ".escapeshellarg(__FILE__)." --one {$flats}"),
            true,
            16,
            JSON_THROW_ON_ERROR,
        ),
        range(1, $flats === 480 ? 1 : 5),
    );
    usort($tries, static fn (array $a, array $b): int => $a['cold_ms'] <=> $b['cold_ms']);
    $results[] = $tries[intdiv(count($tries), 2)];
}
if (in_array('--json', $argv, true)) {
    echo json_encode($results, JSON_THROW_ON_ERROR), "\n";
    exit(0);
}
foreach ($results as $i => $r) {
    printf(
        "%6d pieces in %3d flats: %8.1f ms, %6.1f MiB\n",
        $r['pieces'],
        $r['flats'],
        $r['cold_ms'],
        $r['memory_mib'],
    );
    if ($i > 0) {
        $before = $results[$i - 1];
        $times = $r['pieces'] / $before['pieces'];
        printf(
            "       %.1f times as many pieces take %.1f times as long; n·log n would be %.1f times\n",
            $times,
            $r['cold_ms'] / $before['cold_ms'],
            ($times * log($r['pieces'])) / log($before['pieces']),
        );
    }
}
