<?php

declare(strict_types=1);

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\JointCard;

require __DIR__.'/../../vendor/autoload.php';

/* Writes the cards of the single joints of the demo jobs, and of the ends of their runs, as JSON. */
$cards = [];
foreach (glob(__DIR__.'/../../database/demo/*.json') ?: [] as $path) {
    $catalogue = Catalogue::shipped();
    $job = (new JobFile($catalogue))->parse((string) file_get_contents($path));
    $card = new JointCard((new JobEvaluator($catalogue))->evaluate($job));
    foreach ($job->singles as $single) {
        $cards[] = $card->ofSingle($single->id);
    }
    foreach ($job->runs as $run) {
        $cards[] = $card->ofRun($run->id, 'tie-in');
        $cards[] = $card->ofRun($run->id, 'outlet');
    }
}
echo json_encode($cards, JSON_THROW_ON_ERROR);
