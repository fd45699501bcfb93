<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Joining\Method;
use FallBend\Core\Report\EvaluationReport;
use FallBend\Core\Report\JointCard;
use PHPUnit\Framework\TestCase;

final class JobEvaluatorTest extends TestCase
{
    public function testCallingOutChangesOneRunAndAllotsItsMarks(): void
    {
        $evaluated = self::evaluated(self::demo(), [
            'run' => 'glaze',
            'text' => 'down 9 1/2 / north 40 / 54 1/2 right at 1/4 per foot',
        ]);
        $run = $evaluated['evaluation']['runs'][1];
        self::assertSame('right 4\' 6 1/2 fall 1/4', $run['legs'][2]['phrase']);
        self::assertSame('4\' 6 1/2" to the right, falling 1/4 in per ft', $run['legs'][2]['read_back']);
        self::assertSame('54 1/2', $run['legs'][2]['length']['inch']);
        self::assertNotSame([], $evaluated['job']->run('glaze')?->marks->pieces);
        self::assertEquals(self::demo()->run('mop')?->legs, $evaluated['job']->run('mop')?->legs);
    }

    public function testWhatIsNotUnderstoodIsMarkedAndKept(): void
    {
        $evaluated = self::evaluated(self::demo(), ['run' => 'glaze', 'text' => 'down 9 1/2 / left banana / right 20']);
        self::assertSame(
            [
                [
                    'at' => 18,
                    'length' => 6,
                    'message' => 'Not understood: “banana”. Say a length, a way, a turn or a fall.',
                ],
            ],
            $evaluated['evaluation']['phrases'][1]['unread'],
        );
        $run = $evaluated['evaluation']['runs'][1];
        self::assertSame(
            'down 9 1/2 / left banana / right 1\' 8',
            str_replace('right 20', 'right 1\' 8', $run['call_out']),
        );
        self::assertSame([true, false, false], array_column($run['legs'], 'laid'));
        self::assertFalse($run['totals']['whole']);
    }

    public function testAnEmptyRunAndAnEmptyJobAreEvaluated(): void
    {
        $evaluated = self::evaluated(self::demo(), ['run' => 'glaze', 'text' => '']);
        self::assertSame([], $evaluated['evaluation']['runs'][1]['legs']);
        self::assertSame([], $evaluated['evaluation']['runs'][1]['findings']);
        self::assertSame(
            [],
            self::evaluated(self::demo()->withRuns([]))['evaluation']['runs'],
            'what the runs went through stands alone in the file, and stops nothing',
        );
    }

    public function testAMeasuredFittingMovesTheCutLengthsAndIsSeen(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $document = $file->document(self::demo());
        $before = self::evaluated(self::demo())['evaluation']['runs'][0];
        $document['overrides'] = [
            'catalogue' => [
                ['table' => 'pvc-dwv-40', 'row' => 'long-sweep/2', 'field' => 'take_off_mm', 'value' => 70],
            ],
            'rulebook' => [],
        ];
        /** @var array<string, mixed> $plain */
        $plain = json_decode(json_encode($document, JSON_THROW_ON_ERROR), true);
        $after = self::evaluated($file->read($plain))['evaluation']['runs'][0];
        $old = $before['fittings'][0]['take_off']['mm'];
        self::assertEqualsWithDelta(
            $before['pieces'][0]['cut']['mm'] + $old - 70,
            $after['pieces'][0]['cut']['mm'],
            1e-6,
        );
        self::assertSame('measured', $after['fittings'][0]['source']['status']);
        self::assertNotContains(
            'long-sweep/2',
            array_map(
                static fn (array $finding): string => (string) ($finding['params']->row ?? ''),
                $after['findings'],
            ),
        );
    }

    public function testEverythingRestsOnNamedSources(): void
    {
        foreach (self::evaluated(self::demo())['evaluation']['runs'] as $run) {
            $rows = array_column($run['sources'], 'row');
            foreach ($run['fittings'] as $fitting) {
                self::assertContains($fitting['row'], $rows);
            }
        }
    }

    public function testTheSameJobGivesTheSameAnswer(): void
    {
        $first = self::evaluated(self::demo());
        self::assertSame(json_encode($first['evaluation']), json_encode(self::evaluated($first['job'])['evaluation']));
    }

    public function testAJointIsSaidAsOnSiteWhereARunGoesIntoAnother(): void
    {
        $runs = array_column(self::evaluated(self::demo())['evaluation']['runs'], null, 'id');
        $stack = array_column($runs['stack']['joints'], 'name');
        self::assertSame(['8A to roof terminal', '8I to House drain'], [$stack[0], $stack[count($stack) - 1]]);
        self::assertContains('8B into the san tee', $stack);
    }

    /** The demo shows a rolled pair, a warning, a stop, and a leg that needs couplings. */
    public function testTheDemoShowsWhatItPromises(): void
    {
        $runs = self::evaluated(self::demo())['evaluation']['runs'];
        self::assertCount(19, $runs);
        self::assertContains(true, array_column($runs[0]['pieces'], 'between'));
        $severities = array_merge(
            ...array_map(static fn (array $run): array => array_column($run['findings'], 'severity'), $runs),
        );
        self::assertContains('stop', $severities);
        self::assertContains('warn', $severities);
        self::assertGreaterThan(1, count($runs[2]['legs'][1]['pieces']));
    }

    /**
     * Another method changes the cut length by exactly what the other end swallows less the gap: nothing else moves.
     */
    public function testChangingTheMethodChangesTheCutByInsertionLessGap(): void
    {
        $cut = static function (string $method): float {
            $job = self::demo();
            $run = $job->run('floor') ?? self::fail('the demo has no such run');
            $evaluated = self::evaluated($job->withRun($run->withEnds($run->outlet, $run->tieIn->joinedBy($method))));
            $pieces = $evaluated['evaluation']['runs'][3]['pieces'];
            self::assertSame([true, true], [$pieces[0]['known'], $pieces[1]['known']]);

            return $pieces[2]['known'] ? $pieces[2]['cut']['mm'] : NAN;
        };
        $card = self::card(self::demo())->ofRun('floor', 'tie-in');
        $methods = array_column($card['methods'], null, 'method');
        self::assertSame(['hub-adapter', 'hub-gasket', 'caulked'], array_keys($methods));
        $gasket = $methods['hub-gasket'];
        $face = $cut('hub-gasket') - ($gasket['insert_a_mm'] - $gasket['gap_mm']);
        self::assertEqualsWithDelta(
            $gasket['changes']['cut']['mm'] ?? NAN,
            $cut('hub-gasket'),
            1e-9,
            'the table of consequences says what the ticket will',
        );
        self::assertNan($cut('hub-adapter'), 'the adapter is not measured: no cut length');
        self::assertNull($methods['hub-adapter']['changes']['cut'] ?? null);
        $document = (new JobFile(Catalogue::shipped()))->document(self::demo());
        $document['overrides']['catalogue'][] = [
            'table' => 'adapters',
            'row' => 'hub-adapter/service/3',
            'field' => 'body_mm',
            'value' => 41.5,
        ];
        /** @var array<string, mixed> $plain */
        $plain = json_decode(json_encode($document, JSON_THROW_ON_ERROR), true);
        $measured = array_column(
            self::card((new JobFile(Catalogue::shipped()))->read($plain))->ofRun('floor', 'tie-in')['methods'],
            null,
            'method',
        );
        $adapter = $measured['hub-adapter'];
        self::assertEqualsWithDelta(
            $face + $adapter['insert_a_mm'] - $adapter['gap_mm'],
            $adapter['changes']['cut']['mm'] ?? NAN,
            1e-6,
        );
        self::assertEqualsWithDelta(
            $face - 41.5,
            $adapter['changes']['cut']['mm'],
            1e-6,
            'the pipe ends above the rim',
        );
    }

    public function testARefusedMethodIsAStopAndAnUnknownPipeIsNeverAPass(): void
    {
        $job = self::demo();
        $run = $job->run('clay-wash') ?? self::fail('the demo has no such run');
        $findings = self::evaluated($job->withRun($run->withEnds($run->outlet, $run->tieIn->joinedBy('solvent-pvc'))))[
            'evaluation'
        ]['runs'][0]['findings'];
        $stop = array_column($findings, null, 'rule')['joint.refused'];
        self::assertSame('stop', $stop['severity']);
        self::assertStringContainsString('no plastic', $stop['why']);
        $shower = self::evaluated($job)['evaluation']['runs'][5];
        self::assertSame('unknown', array_column($shower['findings'], null, 'rule')['joint.unknownPipe']['severity']);
        self::assertFalse($shower['pieces'][1]['known']);
        self::assertSame('unknown', $shower['joints'][3]['state']);
    }

    public function testWhatEndsInAReckonedFittingIsCutLongByWhatThatMayBeOff(): void
    {
        $weir = (new JobFile(Catalogue::shipped()))->parse(
            (string) file_get_contents(__DIR__.'/../../../database/demo/weir-cottage-office.json'),
        );
        $runs = self::evaluated($weir)['evaluation']['runs'];
        self::assertSame([true, true, true], array_column($runs[0]['pieces'], 'known'), 'its bends were measured');
        self::assertSame([null, null, null], array_column($runs[0]['pieces'], 'doubt'));
        self::assertSame([true, true], array_column($runs[2]['pieces'], 'known'), 'a sleeve takes the clay drain');
        self::assertNotContains(null, array_column($runs[2]['pieces'], 'doubt'));
        self::assertContains('fitting.reckoned', array_column($runs[2]['findings'], 'rule'));
        self::assertContains('cement.damp', array_column($runs[0]['findings'], 'rule'));
        self::assertSame(
            ['abs-uk', 'pp', 'pvc-u'],
            array_map(static fn (array $run): string => $run['system']['material'], array_slice($runs, 0, 3)),
        );
    }

    /** Every joining method occurs in the two demo jobs. */
    public function testTheDemosShowEveryMethod(): void
    {
        $seen = [];
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $name) {
            $evaluation = self::evaluated(
                (new JobFile(Catalogue::shipped()))->parse(
                    (string) file_get_contents(__DIR__."/../../../database/demo/{$name}.json"),
                ),
            )['evaluation'];
            $seen = [
                ...$seen,
                ...array_column($evaluation['singles'], 'method'),
                ...array_merge(
                    ...array_map(
                        static fn (array $run): array => array_column($run['joints'], 'method'),
                        $evaluation['runs'],
                    ),
                ),
            ];
        }
        self::assertSame([], array_values(array_diff(array_column(Method::cases(), 'value'), array_filter($seen))));
    }

    /**
     * @param array{run: string, text: string}|null $callOut
     * @return array{job: Job, evaluation: array<string, mixed>}
     */
    private static function evaluated(Job $job, ?array $callOut = null): array
    {
        $evaluated = (new JobEvaluator(Catalogue::shipped()))->evaluate($job, $callOut);

        return ['job' => $evaluated->job(), 'evaluation' => (new EvaluationReport($evaluated))->toArray()];
    }

    private static function demo(): Job
    {
        return (new JobFile(Catalogue::shipped()))->parse(
            (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json'),
        );
    }

    private static function card(Job $job): JointCard
    {
        return new JointCard((new JobEvaluator(Catalogue::shipped()))->evaluate($job));
    }
}
