<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cutting;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Cutting\CutTicket;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Cutting\RunToCut;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Tests\Network\CaseJob;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;
use PHPUnit\Framework\TestCase;

final class CutTicketTest extends TestCase
{
    private const LEGS = 'north 2500 mm fall 20 mm/m / right 45° 2000 mm fall 20 mm/m / right 45° 1500 mm fall 20 mm/m';

    public function testEveryPieceSaysItsLengthItsLinesItsEndsAndItsStick(): void
    {
        [$ticket, $layout] = self::ticket([]);
        $pieces = $ticket->pieces();
        self::assertSame(['A', 'B', 'C'], array_column($pieces, 'letter'));
        $numbers = array_column($layout->runs['main']->joints, 'number', 'key');
        foreach ($layout->runs['main']->pieces as $n => $piece) {
            self::assertMatchesRegularExpression('#^\d+( \d+/\d+)? in$#', $pieces[$n]['length']);
            self::assertEqualsWithDelta($piece->cutMm / 25.4, self::inches($pieces[$n]['length']), 1 / 32 + 1e-9);
            self::assertStringStartsWith("joint {$numbers[$piece->jointFrom]}: line at ", $pieces[$n]['lines'][0]);
            self::assertStringStartsWith('both ends: square, burr off inside', $pieces[$n]['ends'][0]);
            self::assertMatchesRegularExpression('/^stick \d+, \d+\'/', $pieces[$n]['stick']);
            self::assertSame(['', false], [$pieces[$n]['note'], $pieces[$n]['cut']]);
        }
        self::assertCount(2, $ticket->turns());
        self::assertStringContainsString('2 in', $ticket->turns()[0]);
        self::assertSame('1/8 in', $ticket->kerf());
    }

    public function testAStickThatMayComeOutShortIsSaidAndOneWithRoomIsTakenWhereItCostsNothing(): void
    {
        [, $layout] = self::ticket([]);
        $lengths = array_column($layout->runs['main']->pieces, 'cutMm');
        $kerf = 3.175;
        $exact = [
            'system' => 'pvc-dwv-40',
            'size' => '2',
            'length_mm' => array_sum($lengths) + 2 * $kerf,
            'available' => 1,
        ];
        [$tight] = self::ticket(['stock' => [$exact]]);
        self::assertSame(
            ['; tight: measure it first'],
            array_unique(
                array_map(static fn (array $piece): string => (string) strstr($piece['stick'], ';'), $tight->pieces()),
            ),
        );
        // One that is a little longer holds the same pieces, and is as good a plan.
        [$roomy] = self::ticket(['stock' => [$exact, ['length_mm' => $exact['length_mm'] + 40] + $exact]]);
        self::assertSame(
            [''],
            array_unique(
                array_map(static fn (array $piece): string => (string) strstr($piece['stick'], ';'), $roomy->pieces()),
            ),
        );
    }

    public function testAnEndThatIsPushedIntoARubberIsBevelledAndTheOtherIsNot(): void
    {
        $job = CaseJob::of('upc-2021', [
            'main' => [
                'socket',
                'north 2000 mm fall 20 mm/m / right 2000 mm fall 20 mm/m',
                'socket',
                ['system' => 'ci-no-hub', 'size' => '4'],
            ],
        ]);
        [$layout, $catalogue] = self::laid($job);
        self::assertSame(
            ['both ends: square, burr off'],
            (new CutTicket(
                new JobCutting(RunToCut::ofJob($layout), $job, $catalogue),
                $layout->runs['main'],
                $job,
            ))->pieces()[0]['ends'],
        );
        $push = CaseJob::of('adh-2015', [
            'main' => [
                'socket',
                'north 2000 mm fall 20 mm/m / right 2000 mm fall 20 mm/m',
                'socket',
                ['system' => 'pvcu-soil', 'size' => '110'],
            ],
        ]);
        [$layout, $catalogue] = self::laid($push);
        $piece = (new CutTicket(
            new JobCutting(RunToCut::ofJob($layout), $push, $catalogue),
            $layout->runs['main'],
            $push,
        ))->pieces()[0];
        self::assertStringContainsString('chamfered about 15°', $piece['ends'][0]);
        // The bend at its end is reckoned: it is cut long by what that may be off.
        $exact = $layout->runs['main']->pieces[0];
        self::assertGreaterThan(5.0, $exact->doubtMm());
        self::assertSame(round($exact->cutMm + $exact->doubtMm()).' mm', $piece['length']);
        self::assertStringStartsWith('cut long; comes to '.round($exact->cutMm).' mm ± ', $piece['lines'][0]);
        self::assertStringEndsWith(': dry-fit, then trim', $piece['lines'][0]);
    }

    public function testWhatIsOtherThanOnThePaperIsMarkedAndWhatATapeSaysAlikeIsNot(): void
    {
        [, $layout] = self::ticket([]);
        $lengths = array_column($layout->runs['main']->pieces, 'cutMm', 'key');
        $keys = array_keys($lengths);
        $paper = [
            'run' => 'main',
            'on' => '2026-11-20',
            'pieces' => [
                ['piece' => $keys[0], 'letter' => 'A', 'length_mm' => $lengths[$keys[0]] + 0.01],
                ['piece' => $keys[1], 'letter' => 'B', 'length_mm' => $lengths[$keys[1]] + 12.7],
                ['piece' => 'l9.1', 'letter' => 'K', 'length_mm' => 300],
            ],
        ];
        [$ticket, , $job, $catalogue] = self::ticket(['printed' => [$paper]]);
        $pieces = $ticket->pieces();
        self::assertSame('', $pieces[0]['note']);
        self::assertStringStartsWith('other than on the ticket of 2026-11-20: it was ', $pieces[1]['note']);
        self::assertEqualsWithDelta(
            self::inches($pieces[1]['length']) + 0.5,
            self::inches(substr($pieces[1]['note'], 47)),
            1 / 16,
        );
        self::assertSame('not on the ticket of 2026-11-20', $pieces[2]['note']);
        self::assertSame(['K'], $ticket->gone());
        [$laid] = self::laid($job);
        $report = (new JobCutting(RunToCut::ofJob($laid), $job, $catalogue))->ofRun('main');
        self::assertSame(['same', 'other', 'new'], array_column($report['pieces'], 'since'));
        self::assertSame(
            [1.5875, 1.5875, 3.175, 0.0],
            array_map(static fn (array $saw): float => $saw['kerf']['mm'], $report['saws']),
        );
        self::assertSame(['on' => '2026-11-20', 'gone' => ['K']], $report['printed']);
        // What is cut is not to be cut by the paper any more.
        $cut = self::ticket([
            'printed' => [$paper],
            'cut' => [['run' => 'main', 'piece' => $keys[1], 'length_mm' => $lengths[$keys[1]]]],
        ])[0]->pieces();
        self::assertSame(['', true], [$cut[1]['note'], $cut[1]['cut']]);
    }

    public function testWhereTheNextLegIsNotUnderstoodNothingIsCutByAGuess(): void
    {
        $job = CaseJob::of('ipc-2021', ['main' => ['socket', self::LEGS, 'socket', ['size' => '2']]]);
        $job = (new JobEvaluator(Catalogue::shipped()))
            ->evaluate($job, ['run' => 'main', 'text' => 'north 100 fall 1/4 / right 80 fall 1/4 / banana'])
            ->job();
        [$layout, $catalogue] = self::laid($job);
        [$first, $last] = (new CutTicket(
            new JobCutting(RunToCut::ofJob($layout), $job, $catalogue),
            $layout->runs['main'],
            $job,
        ))->pieces();
        self::assertStringEndsWith(' in', $first['length'], 'what lies between two legs that are understood is known');
        self::assertSame(['measure first', 'what follows is not called out yet'], [$last['length'], $last['lines'][1]]);
        self::assertSame('', $last['stick'], 'and it comes from no stick');
    }

    public function testOnlyStopsHoldTheSaw(): void
    {
        [$ticket] = self::ticket([]);
        $holds = $ticket->holds([
            new Finding(
                RuleId::CutTooShort,
                Severity::Stop,
                new Where(leg: 2),
                params: ['piece' => 'B', 'length_mm' => 3.0, 'least_mm' => 9.0],
            ),
            new Finding(RuleId::CutMissed, Severity::Warn, new Where, params: ['missed_mm' => 3.0]),
        ]);
        self::assertSame(['leg 2: left too short'], $holds);
    }

    public function testATicketThatNobodyCanHavePrintedIsRefused(): void
    {
        foreach (
            [
                ['on' => 'yesterday'],
                ['run' => 'other'],
                ['pieces' => [['piece' => 'l1.1', 'letter' => 'A', 'length_mm' => -1]]],
            ] as $wrong
        ) {
            try {
                self::ticket(['printed' => [$wrong + ['run' => 'main', 'on' => '2026-11-20', 'pieces' => []]]]);
                self::fail('it was taken');
            } catch (BadInput $bad) {
                self::assertStringStartsWith('cutting.printed.0.', $bad->field);
            }
        }
    }

    /**
     * @param array<string, mixed> $cutting
     * @return array{CutTicket, JobLayout, Job, Catalogue}
     */
    private static function ticket(array $cutting): array
    {
        $file = new JobFile(Catalogue::shipped());
        $document = json_decode(
            (string) json_encode(
                $file->document(CaseJob::of('ipc-2021', ['main' => ['socket', self::LEGS, 'socket', ['size' => '2']]])),
            ),
            true,
        );
        // As it stood in documents up to version 3.
        $job = $file->read($cutting === [] ? $document : ['version' => 3, 'cutting' => $cutting] + $document);
        [$layout, $catalogue] = self::laid($job);

        return [
            new CutTicket(new JobCutting(RunToCut::ofJob($layout), $job, $catalogue), $layout->runs['main'], $job),
            $layout,
            $job,
            $catalogue,
        ];
    }

    /** @return array{JobLayout, Catalogue} */
    private static function laid(Job $job): array
    {
        $catalogue = Catalogue::shipped();

        return [(new JobCompiler($catalogue, $job->book($catalogue), $job))->compile(), $catalogue];
    }

    private static function inches(string $said): float
    {
        preg_match('#(\d+)?(?: ?(\d+)/(\d+))? in$#', $said, $found);

        return (float) ($found[1] ?? 0) + (isset($found[3]) ? (float) $found[2] / (float) $found[3] : 0.0);
    }
}
