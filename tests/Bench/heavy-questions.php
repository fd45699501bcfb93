<?php

declare(strict_types=1);

// Asks four heavy questions at once, again and again, until it is ended or has done so a thousand times; a line for
// each answer.

use Tests\Support\Answer;
use Tests\Support\Served;

require __DIR__.'/../../vendor/autoload.php';

$served = Served::as('apprentice', $argv[1]);
mt_srand(5);
$at = static fn (array $at, array $along): array => [
    'at' => $at,
    'along' => $along,
    'system' => 'pvc-dwv-40',
    'size' => '2',
    'end' => 'hub',
];
$posts = array_map(static function (int $i): array {
    [$x, $y, $z] = [mt_rand(0, 2_500), mt_rand(0, 2_500), mt_rand(-600, 600)];

    return ['min' => [$x, $y, $z], 'max' => [$x + 40, $y + 40, $z + 400], 'what' => "post {$i}"];
}, range(1, 50));
$makeUp = [
    'from' => $at([0, 0, 0], [0, 1, 0]),
    'to' => $at([1_900, 2_100, -500], [1, 0, 0]),
    'obstacles' => $posts,
    'max_bends' => 4,
    'effort' => 100_000,
];
$parts = array_map(
    static fn (int $i): array => ['tag' => "t{$i}", 'length_mm' => mt_rand(9_000, 10_100) / 10],
    range(1, 120),
);
$cut = ['kerf_mm' => 3, 'stock' => [['length_mm' => 3_048]], 'parts' => $parts, 'seconds' => 4];
for ($round = 0; $round < 1_000; $round++) {
    $answers = $served->together(
        [
            ['POST', '/api/reckon/make-up', $makeUp],
            ['POST', '/api/reckon/cut-stock', $cut],
            ['POST', '/api/reckon/make-up', $makeUp],
            ['POST', '/api/reckon/cut-stock', $cut],
        ],
        4,
    );
    foreach ($answers as $answer) {
        /** @var Answer $answer */
        echo $answer->status === 200 ? sprintf("%.1f s\n", $answer->seconds) : exit($answer->said());
    }
}
