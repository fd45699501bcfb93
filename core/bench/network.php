<?php

declare(strict_types=1);

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobJudgement;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Tests\FlatBlock;

require __DIR__.'/../../vendor/autoload.php';

/* Measures whole blocks of flats: from cold, and after an edit in one flat; how the time grows from 500 to 50,000 pieces; and the memory at 5,000. Cold runs are processes of their own. */

if (($argv[1] ?? '') === '--one') {
    $flats = (int) $argv[2];
    $job = FlatBlock::of($flats);
    $began = hrtime(true);
    $catalogue = Catalogue::shipped();
    $book = $catalogue->rulebook('ipc-2021');
    $rules = new RuleSet($catalogue);
    $judge = static fn ($job, $before = null): JobJudgement => JobJudgement::of($job, $catalogue, $book, $rules, new NetworkRuleSet, $before);
    $judgement = $judge($job);
    $cold = (hrtime(true) - $began) / 1e6;
    $pieces = array_sum(array_map(static fn ($run): int => count($run->pieces), $judgement->layout->runs));
    $peak = memory_get_peak_usage() / 1048576;
    $edits = [];
    for ($i = 0; $i < (int) ($argv[3] ?? 15); $i++) {
        $edited = FlatBlock::edited($judgement->layout->job, $i % $flats, $i % 2 === 0 ? 12.0 : -12.0);
        $began = hrtime(true);
        $judgement = $judge($edited, $judgement);
        $edits[] = (hrtime(true) - $began) / 1e6;
    }
    sort($edits);
    echo json_encode(['flats' => $flats, 'pieces' => $pieces, 'cold_ms' => round($cold, 1), 'edit_median_ms' => round($edits[intdiv(count($edits), 2)], 1), 'edit_most_ms' => round(end($edits), 1), 'memory_mib' => round($peak, 1)], JSON_THROW_ON_ERROR), "\n";
    exit(0);
}

$results = [];
foreach ([5 => 15, 48 => 31, 480 => 3] as $flats => $edits) {
    $flags = '-d memory_limit=-1 -d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=tracing';
    $tries = array_map(static fn (): array => json_decode((string) shell_exec(PHP_BINARY." {$flags} ".escapeshellarg(__FILE__)." --one {$flats} {$edits}"), true, 16, JSON_THROW_ON_ERROR), range(1, $flats === 480 ? 1 : 5));
    usort($tries, static fn (array $a, array $b): int => $a['cold_ms'] <=> $b['cold_ms']);
    $results[] = $tries[intdiv(count($tries), 2)];
}
if (in_array('--json', $argv, true)) {
    echo json_encode($results, JSON_THROW_ON_ERROR), "\n";
    exit(0);
}
foreach ($results as $i => $r) {
    printf("%6d pieces in %3d flats: %8.1f ms cold, %7.1f ms after an edit (median; most %.1f), %6.1f MiB\n", $r['pieces'], $r['flats'], $r['cold_ms'], $r['edit_median_ms'], $r['edit_most_ms'], $r['memory_mib']);
    if ($i > 0) {
        $before = $results[$i - 1];
        $times = $r['pieces'] / $before['pieces'];
        printf("       %.1f times as many pieces take %.1f times as long; n·log n would be %.1f times\n", $times, $r['cold_ms'] / $before['cold_ms'], $times * log($r['pieces']) / log($before['pieces']));
    }
}
