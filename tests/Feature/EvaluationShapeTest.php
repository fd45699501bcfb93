<?php

declare(strict_types=1);

namespace Tests\Feature;

use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Whatever is called out, the evaluation keeps the shape that the interface was typed from. */
final class EvaluationShapeTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function callOuts(): iterable
    {
        foreach (
            [
                'nothing' => '',
                'one leg' => 'down 14',
                'nonsense alone' => 'banana',
                'nonsense in the middle' => 'down 14 / banana / left 3',
                'an impossible leg' => 'north 40 / right 5 / left 40',
                'a close leg' => 'north 40 / right close / left 40',
                'a close leg at the outlet' => 'north close / right 40',
                'a turn out of reach' => 'north 40 / back 40',
                'bushings' => 'north 40 size 3 / right 40 size 2 / left 40 size 4',
                'couplings' => "north 60' fall 1/4",
                'rising' => 'north 40 / up 30 / right 20',
                'level' => 'north 40 level',
                'a pair, and a pair standing in itself' => 'north 40 / right 70° 30 / left 70° 30 with 45+45 street',
                'to the stop' => 'north 40 / right 30 to stop',
                'drops and rises' => 'north 40 drop 3 / on 40 rise 2',
                'names and marks' => 'down 14 "Küche, “links”" / left 3½',
            ] as $name => $text
        ) {
            yield $name => [$text];
        }
    }

    #[DataProvider('callOuts')]
    public function testKeepsTheShape(string $text): void
    {
        $file = app(JobFile::class);
        foreach (['inch', 'mm'] as $units) {
            foreach (['socket', 'trap-adapter', 'plain'] as $outlet) {
                $document = ['units' => $units] + self::demo();
                $document['runs'][0]['outlet']['kind'] = $outlet;
                $evaluated = app(JobEvaluator::class)->evaluate($file->read($document), [
                    'run' => 'clay-wash',
                    'text' => $text,
                ]);
                $json = (string) json_encode([
                    'document' => $file->document($evaluated->job()),
                    'evaluation' => (new EvaluationReport($evaluated))->toArray(),
                ]);
                self::assertShape('Evaluated', $json);
                /** @var array{document: array<string, mixed>} $decoded */
                $decoded = json_decode($json, true);
                self::assertEquals(
                    $file->document($evaluated->job()),
                    $file->document($file->read($decoded['document'])),
                    'what is written can be read',
                );
            }
        }
    }

    public function testEveryNumberOfAnAnswerIsFinite(): void
    {
        $evaluated = app(JobEvaluator::class)->evaluate(app(JobFile::class)->read(self::demo()));
        $evaluation = (new EvaluationReport($evaluated))->toArray();
        array_walk_recursive($evaluation, static function (mixed $value): void {
            self::assertTrue(! is_float($value) || is_finite($value));
        });
    }
}
