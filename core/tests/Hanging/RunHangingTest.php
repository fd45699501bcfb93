<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

final class RunHangingTest extends TestCase
{
    public function testTheStringTellsTheFallAtEveryHangerAndIsDrawnAnewAfterADrop(): void
    {
        $report = self::report('north 4000 mm fall 20 mm/m / down 900 mm / east 3000 mm fall 20 mm/m', ['string_mm' => 120]);
        $level = array_values(array_filter($report['hangers'], static fn (array $hanger): bool => $hanger['leg'] === 1));
        self::assertEqualsWithDelta(120.0, $level[0]['below_string']['mm'], 1e-6);
        foreach ($level as $hanger) {
            self::assertEqualsWithDelta(120.0 + ($hanger['at']['mm'] - $level[0]['at']['mm']) * sin(atan(0.02)), $hanger['below_string']['mm'], 1e-6);
        }
        $after = array_values(array_filter($report['hangers'], static fn (array $hanger): bool => $hanger['leg'] === 3));
        self::assertEqualsWithDelta(120.0, $after[0]['below_string']['mm'], 1e-6);
        $bracket = array_values(array_filter($report['hangers'], static fn (array $hanger): bool => $hanger['leg'] === 2))[0];
        self::assertSame(['bracket', 'base', null], [$bracket['kind'], $bracket['why'], $bracket['below_string']]);
        foreach ($report['spans'] as $span) {
            self::assertFalse($span['over']);
            self::assertFalse($span['from_tape_mm'] < 4000 && $span['to_tape_mm'] > 4900, 'no span over the drop');
        }
    }

    public function testHangersSetByHandAreJudgedAndThoseOfLegsThatWentAreLeftOut(): void
    {
        $reckoned = self::report('north 4000 mm fall 20 mm/m', []);
        self::assertFalse($reckoned['own']);
        self::assertSame([], $reckoned['findings']);
        $own = self::report('north 4000 mm fall 20 mm/m', ['own' => [['leg' => 'l1', 'at_mm' => 3900], ['leg' => 'l1', 'at_mm' => $reckoned['hangers'][0]['at']['mm']], ['leg' => 'l9', 'at_mm' => 10], ['leg' => 'l1', 'at_mm' => 4100]]]);
        self::assertTrue($own['own']);
        self::assertSame([1, 2], array_column($own['hangers'], 'number'), 'in the order of flow');
        self::assertSame(['turn', 'own'], array_column($own['hangers'], 'why'));
        self::assertTrue($own['spans'][0]['over']);
        self::assertContains('hang.gap', array_column($own['findings'], 'rule'));
        $onJoint = self::report('north 4000 mm fall 20 mm/m / right 45° 2000 mm fall 20 mm/m', ['own' => [['leg' => 'l1', 'at_mm' => 3990]]]);
        self::assertContains('hang.onJoint', array_column($onJoint['findings'], 'rule'));
    }

    public function testMovingOneHangerChangesOnlyItsTwoSpans(): void
    {
        $legs = 'north 6000 mm fall 20 mm/m';
        $before = self::report($legs, []);
        $places = array_map(static fn (array $hanger): array => ['leg' => $hanger['leg_id'], 'at_mm' => $hanger['at']['mm']], $before['hangers']);
        $places[2]['at_mm'] += 150;
        $after = self::report($legs, ['own' => $places]);
        $lengths = static fn (array $report): array => array_map(static fn (array $span): float => round($span['length']['mm'], 6), $report['spans']);
        self::assertSame([1, 2], array_keys(array_diff_assoc($lengths($after), $lengths($before))));
        self::assertGreaterThan($before['spans'][1]['shape_mm'][12], $after['spans'][1]['shape_mm'][12], 'the longer span sags more');
    }

    public function testAFlatPipeOfSoftPlasticKeepsWaterAndSaysHowLongASpanDoesNot(): void
    {
        $report = self::report('north 9000 mm fall 1 mm/m', ['own' => [['leg' => 'l1', 'at_mm' => 100], ['leg' => 'l1', 'at_mm' => 3200], ['leg' => 'l1', 'at_mm' => 8900]]]);
        self::assertNotNull($report['spans'][1]['pond']);
        self::assertContains('sag.ponds', array_column($report['findings'], 'rule'));
        self::assertLessThan($report['spans'][1]['length']['mm'], $report['spans'][1]['longest']['mm']);
    }

    public function testItHangsFromTheJoistsThatItGoesThroughOrThatAreSaid(): void
    {
        $said = self::report('north 4000 mm fall 20 mm/m', ['joist_every_mm' => 400, 'joist_first_mm' => 130]);
        self::assertContains('joist', array_column($said['hangers'], 'kind'));
        foreach ($said['hangers'] as $hanger) {
            self::assertTrue($hanger['kind'] !== 'joist' || abs(fmod($hanger['at']['mm'] - 130, 400)) < 1e-6);
        }
        $through = self::report('north 4000 mm fall 20 mm/m', [], [['kind' => 'joist', 'run' => 'main', 'leg' => 'l1', 'at_mm' => 530.0, 'every_mm' => 400.0, 'count' => 8]]);
        self::assertSame(array_column($said['hangers'], 'at'), array_column($through['hangers'], 'at'));
    }

    public function testEveryLegGrowsByItsLengthAndTheWarmth(): void
    {
        $report = self::report('north 4000 mm fall 0 / right 2000 mm fall 0', ['swing_c' => 40]);
        $growth = Catalogue::shipped()->material('pvc')->growthPerC ?? 0.0;
        self::assertEqualsWithDelta(4000 * 40 * $growth, $report['expansion'][0]['growth']['mm'], 1e-6);
        self::assertSame(['leg 2', 'socket'], [$report['expansion'][0]['pulls'], $report['expansion'][1]['pulls']]);
        self::assertEqualsWithDelta($report['expansion'][0]['growth']['mm'] / 2, $report['expansion'][1]['growth']['mm'], 1e-6);
    }

    /**
     * @param array<string, mixed> $decided
     * @param list<array<string, mixed>> $obstacles
     * @return array<string, mixed>
     */
    private static function report(string $legs, array $decided, array $obstacles = []): array
    {
        $file = new JobFile(Catalogue::shipped());
        $document = json_decode((string) json_encode($file->document(CaseJob::of('ipc-2021', ['main' => ['socket', $legs, 'socket', ['size' => '2']]], $obstacles))), true);
        $document['hanging'] = [['run' => 'main'] + $decided];
        $job = $file->read($document);
        self::assertEquals($document['hanging'], json_decode((string) json_encode($file->document($job)), true)['hanging'], 'what was decided is kept');
        $catalogue = Catalogue::shipped();
        $book = $job->book($catalogue);

        return (new RunHanging((new JobCompiler($catalogue, $book, $job))->compile()->runs['main'], $job, $catalogue, $book))->toArray();
    }
}
