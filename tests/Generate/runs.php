<?php

declare(strict_types=1);

// Writes runs that were called out by chance, evaluated: `php tests/Generate/runs.php SEED COUNT`, JSON on standard
// output. For the tests of the drawings.

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../../vendor/autoload.php';

$random = new Randomizer(new Mt19937((int) ($argv[1] ?? 1)));
$catalogue = Catalogue::shipped();
$pick = static fn (array $from): mixed => $from[$random->getInt(0, count($from) - 1)];
$evaluations = [];
for ($n = 0; $n < (int) ($argv[2] ?? 10); $n++) {
    $legs = [];
    for ($i = 0, $count = $random->getInt(1, 14); $i < $count; $i++) {
        $way = $pick([
            'left',
            'right',
            'down',
            'on',
            'ahead',
            'left 45°',
            'right 45°',
            'right 70°',
            'left 22.5°',
            'down 45°',
            'down 60°',
            'up',
            'east',
        ]);
        $fall =
            str_starts_with($way, 'down') || $way === 'up'
                ? ''
                : $pick(['', ' fall 1/4', ' fall 1/8', ' level', ' drop 1', ' fall 2']);
        $length = $pick([(string) $random->getInt(2, 400), (string) $random->getInt(8, 60), 'close']);
        $legs[] =
            $length === 'close'
                ? "{$way} close"
                : "{$way} {$length}".($length < 3 ? '' : $fall).$pick(['', '', '', ' size 3', ' with 45+45']);
    }
    if ($random->getInt(0, 9) === 0) {
        $legs[] = 'banana';
    }
    $document = [
        'format' => 'fall-bend-job',
        'version' => 1,
        'name' => 'x',
        'units' => 'inch',
        'rulebook' => $pick(['ipc-2021', 'upc-2021']),
        'runs' => [
            [
                'id' => 'r',
                'name' => 'r',
                'system' => 'pvc-dwv-40',
                'size' => $pick(['1-1/2', '2', '3', '4']),
                'use' => 'drain',
                'legs' => [],
                'outlet' => ['what' => 'clay-wash sink', 'kind' => $pick(['socket', 'plain', 'trap-adapter'])],
                'tie_in' => ['what' => 'iron stack stub', 'kind' => $pick(['socket', 'plain'])],
            ],
        ],
    ];
    $evaluated = (new JobEvaluator($catalogue))->evaluate((new JobFile($catalogue))->read($document), [
        'run' => 'r',
        'text' => implode(' / ', $legs),
    ]);
    $evaluations[] = (new EvaluationReport($evaluated))->toArray();
}
echo json_encode($evaluations, JSON_THROW_ON_ERROR);
