<?php

declare(strict_types=1);

// Writes a job file evaluated: `php tests/Generate/job.php database/demo/mill-row-pottery.json`, JSON on standard
// output. For the tests of the interface.

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;

require __DIR__.'/../../vendor/autoload.php';

$catalogue = Catalogue::shipped();
$file = new JobFile($catalogue);
$evaluated = (new JobEvaluator($catalogue))->evaluate($file->parse((string) file_get_contents($argv[1] ?? '')));
echo json_encode(
    ['document' => $file->document($evaluated->job()), 'evaluation' => (new EvaluationReport($evaluated))->toArray()],
    JSON_THROW_ON_ERROR,
);
