<?php

declare(strict_types=1);

// Somebody who works on a job of their own through a server that may go away: changes it, and says what is done, one
// after the other; what has no answer is sent again until it has one, as a browser does.
// php editor.php ADDRESS STOP OUT: until the file STOP is there; what was acknowledged goes to OUT, a line each.

use Tests\Support\Served;

require __DIR__.'/../../vendor/autoload.php';

[, $address, $stop, $out] = $argv + ['', '', '', ''];
$file = fopen($out, 'ab');
if ($file === false) {
    exit(1);
}
$note = static function (array $what) use ($file): void {
    fwrite($file, json_encode($what + ['at' => microtime(true)], JSON_THROW_ON_ERROR)."\n");
};
$lead = new Served($address, 20);
$lead->signIn('lead');
$document = json_decode((string) file_get_contents(__DIR__.'/../../database/demo/ferry-lane-annexe.json'), true);
$made = $lead->send('POST', '/api/jobs', ['document' => $document, 'want' => (object) []]);
$job = $made->id();
$document = is_array($made->json()['document'] ?? null) ? $made->json()['document'] : [];
$note(['job' => $job]);
$revision = 1;
for ($n = 1; ! is_file($stop); $n++) {
    $isEdit = $n % 2 === 1;
    $key = "{$job}-{$n}";
    $edit = ['from' => $revision, 'gesture' => "g{$n}", 'document' => ['place' => "place {$n}"] + $document];
    $entry = ['key' => $key, 'kind' => 'note', 'note' => "note {$n}", 'made_at' => 'then', 'age_s' => 0];
    $request = $isEdit
        ? ['PUT', "/api/jobs/{$job}", $edit + ['want' => (object) []], ['Idempotency-Key' => $key]]
        : ['POST', "/api/jobs/{$job}/log", ['device' => 'phone', 'entries' => [$entry]]];
    $began = microtime(true);
    for ($tries = 1; ; $tries++) {
        $answer = $lead->send(...$request);
        if ($answer->status === 200) {
            $ms = 1000 * (microtime(true) - $began);
            $note(['ms' => $ms, 'tries' => $tries] + ($isEdit ? ['edit' => $n] : ['entry' => $key]));
            $revision += $isEdit ? 1 : 0;
            break;
        }
        if ($answer->status !== 0 && $answer->status !== 429 && $answer->status < 500) {
            $note(['refused' => $answer->said(), 'n' => $n]);
            exit(1);
        }
        usleep(min(500_000, 50_000 * 2 ** $tries));
    }
    usleep(20_000);
}
