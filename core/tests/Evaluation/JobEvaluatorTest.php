<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use PHPUnit\Framework\TestCase;

final class JobEvaluatorTest extends TestCase
{
    public function testCallingOutChangesOneRunAndAllotsItsMarks(): void
    {
        $evaluated = self::evaluator()->evaluate(self::demo(), ['run' => 'glaze', 'text' => 'down 9 1/2 / north 40 / 54 1/2 right at 1/4 per foot']);
        $run = $evaluated['evaluation']['runs'][1];
        self::assertSame('right 4\' 6 1/2 fall 1/4', $run['legs'][2]['phrase']);
        self::assertSame('4\' 6 1/2" to the right, falling 1/4 in per ft', $run['legs'][2]['read_back']);
        self::assertSame('54 1/2', $run['legs'][2]['length']['inch']);
        self::assertNotSame([], $evaluated['job']->run('glaze')?->marks->pieces);
        self::assertEquals(self::demo()->run('mop')?->legs, $evaluated['job']->run('mop')?->legs);
    }

    public function testWhatIsNotUnderstoodIsMarkedAndKept(): void
    {
        $evaluated = self::evaluator()->evaluate(self::demo(), ['run' => 'glaze', 'text' => 'down 9 1/2 / left banana / right 20']);
        self::assertSame([['at' => 18, 'length' => 6, 'message' => 'Not understood: “banana”. Say a length, a way, a turn or a fall.']], $evaluated['evaluation']['phrases'][1]['unread']);
        $run = $evaluated['evaluation']['runs'][1];
        self::assertSame('down 9 1/2 / left banana / right 1\' 8', str_replace('right 20', 'right 1\' 8', $run['call_out']));
        self::assertSame([true, false, false], array_column($run['legs'], 'laid'));
        self::assertFalse($run['totals']['whole']);
    }

    public function testAnEmptyRunAndAnEmptyJobAreEvaluated(): void
    {
        $evaluated = self::evaluator()->evaluate(self::demo(), ['run' => 'glaze', 'text' => '']);
        self::assertSame([], $evaluated['evaluation']['runs'][1]['legs']);
        self::assertSame([], $evaluated['evaluation']['runs'][1]['findings']);
        self::assertSame([], self::evaluator()->evaluate(self::demo()->withRuns([]))['evaluation']['runs']);
    }

    public function testAMeasuredFittingMovesTheCutLengthsAndIsSeen(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $document = $file->document(self::demo());
        $before = self::evaluator()->evaluate(self::demo())['evaluation']['runs'][0];
        $document['overrides'] = ['catalogue' => [['system' => 'pvc-dwv-40', 'row' => 'long-sweep/2', 'take_off_mm' => 70]], 'rulebook' => []];
        /** @var array<string, mixed> $plain */
        $plain = json_decode(json_encode($document, JSON_THROW_ON_ERROR), true);
        $after = self::evaluator()->evaluate($file->read($plain))['evaluation']['runs'][0];
        $old = $before['fittings'][0]['take_off']['mm'];
        self::assertEqualsWithDelta($before['pieces'][0]['cut']['mm'] + $old - 70, $after['pieces'][0]['cut']['mm'], 1e-6);
        self::assertSame('measured', $after['fittings'][0]['source']['status']);
        self::assertNotContains('long-sweep/2', array_map(static fn (array $finding): string => (string) ($finding['params']->row ?? ''), $after['findings']));
    }

    public function testEverythingRestsOnNamedSources(): void
    {
        foreach (self::evaluator()->evaluate(self::demo())['evaluation']['runs'] as $run) {
            $rows = array_column($run['sources'], 'row');
            foreach ($run['fittings'] as $fitting) {
                self::assertContains($fitting['row'], $rows);
            }
        }
    }

    public function testTheSameJobGivesTheSameAnswer(): void
    {
        $first = self::evaluator()->evaluate(self::demo());
        self::assertSame(json_encode($first['evaluation']), json_encode(self::evaluator()->evaluate($first['job'])['evaluation']));
    }

    /** The demo shows a rolled pair, a warning, a stop, and a leg that needs couplings. */
    public function testTheDemoShowsWhatItPromises(): void
    {
        $runs = self::evaluator()->evaluate(self::demo())['evaluation']['runs'];
        self::assertCount(3, $runs);
        self::assertContains(true, array_column($runs[0]['pieces'], 'between'));
        $severities = array_merge(...array_map(static fn (array $run): array => array_column($run['findings'], 'severity'), $runs));
        self::assertContains('stop', $severities);
        self::assertContains('warn', $severities);
        self::assertGreaterThan(1, count($runs[2]['legs'][1]['pieces']));
    }

    private static function evaluator(): JobEvaluator
    {
        return new JobEvaluator(Catalogue::shipped());
    }

    private static function demo(): Job
    {
        return (new JobFile(Catalogue::shipped()))->parse((string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json'));
    }
}
