<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Recording;

use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Drawing\GeoJson;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Recording\JobRecord;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

/**
 * @phpstan-import-type WrittenRecord from JobRecord
 * @phpstan-import-type Content from \FallBend\Core\Site\EntryFile
 */
final class JobRecordTest extends TestCase
{
    private const OF = ['run' => 'a', 'joint' => 2];

    public function testARunInTheGroundSaysWhetherServicesWereLocated(): void
    {
        $said = [[EntryKind::Services, ['run' => 'a', 'note' => 'paint on the lawn, ticket 4711']]];
        self::assertNull(self::record($said)['runs'][0]['services'], 'it hangs');
        $buried = self::job(['place' => ['ground' => 'buried', 'access' => 'concealed']]);
        self::assertSame(
            'nobody said that they were located',
            self::record([], job: $buried)['runs'][0]['services'],
        );
        self::assertSame(
            'located: paint on the lawn, ticket 4711, Anna, 2026-11-30 10:00',
            self::record($said, job: $buried)['runs'][0]['services'],
        );
    }

    public function testAJointIsRecordedAsItWasMadeAndSeen(): void
    {
        $record = self::record([
            [EntryKind::DryFit, self::OF],
            [
                EntryKind::Joint,
                self::OF + ['method' => 'solvent-pvc', 'part' => 'can 7', 'air_c' => 12.0, 'note' => 'Slow to go.'],
            ],
            [EntryKind::Seen, self::OF + ['depth' => true, 'angle' => true, 'bead' => true]],
            [EntryKind::Walk, self::OF + ['dry' => true]],
            [
                EntryKind::Located,
                self::OF + [
                    'from' => 'corner',
                    'from_mm' => 1_000.0,
                    'second' => 'post',
                    'second_mm' => 2_000.0,
                    'depth_mm' => 500.0,
                ],
            ],
        ]);
        $joint = $record['runs'][0]['joints'][1];
        self::assertSame(
            ['PVC cement', 'can 7', 'Anna', 12.0, true, true, true, true, 'Slow to go.'],
            [
                $joint['method'],
                $joint['part'],
                $joint['by'],
                $joint['air_c'],
                $joint['depth'],
                $joint['angle'],
                $joint['bead'],
                $joint['dry'],
                $joint['note'],
            ],
        );
        self::assertSame('2026-11-30T10:01:00+01:00', $joint['made_at']);
        self::assertSame("3' 3 3/8\" from corner, 6' 6 3/4\" from post, 19 11/16\" deep", $joint['located']);
        self::assertSame([1, 0], [$record['made'], $record['wrong']]);
        self::assertSame(['Anna'], $record['people']);
    }

    public function testWhatIsWrongAndWhatWasCutOutStandInIt(): void
    {
        $record = self::record([
            [EntryKind::Joint, self::OF],
            [EntryKind::CutOut, self::OF + ['note' => 'It crept.']],
            [EntryKind::Joint, self::OF],
            [EntryKind::Trouble, self::OF + ['what' => 'leaks']],
        ]);
        $joint = $record['runs'][0]['joints'][1];
        self::assertSame('leaks', $joint['trouble']['what'] ?? null);
        self::assertSame(['It crept.'], array_column($joint['cut_out'], 'note'));
        self::assertSame(1, $record['wrong']);
    }

    public function testASignatureHoldsForWhatWasThereAndForNothingAfterIt(): void
    {
        $signed = [EntryKind::Signed, ['name' => 'A. Lead', 'role' => 'lead', 'revision' => 4, 'document' => 'doc']];
        $before = [EntryKind::Joint, self::OF];
        self::assertSame([true], self::holding([$before, $signed]));
        self::assertSame([true, true], self::holding([$before, $signed, $signed]), 'another signature changes nothing');
        self::assertSame([false], self::holding([$before, $signed, [EntryKind::Note, ['note' => 'x']]]));
        self::assertSame([false], self::holding([$before, $signed, [EntryKind::TakenBack, ['entry' => 1]]]));
        self::assertSame([false], self::holding([$before, $signed], 'other'), 'the plan is another one');
    }

    public function testTestsAndHowFarTheyAreStandInIt(): void
    {
        $record = self::record([
            [EntryKind::TestBegun, ['system' => 'a', 'stage' => 'rough-in', 'what' => 'water']],
            [EntryKind::Reading, ['test' => 'key-0', 'value' => 0.0]],
            [EntryKind::Reading, ['test' => 'key-0', 'value' => -30.0]],
        ]);
        self::assertSame(['failed'], array_column($record['tests'], 'state'));
        self::assertSame([2], array_column($record['tests'], 'readings'));
        self::assertSame(['failed'], array_column($record['systems'], 'state'));
    }

    public function testHangersThatWereReadSayWhatIsToBeRaisedOrLowered(): void
    {
        $job = self::job();
        $plain = $job->hanging('a')->toArray()['hangers'];
        $level = array_values(array_filter($plain, static fn (array $one): bool => $one['below_string'] !== null));
        self::assertGreaterThan(1, count($level));
        $readings = [];
        foreach ($level as $n => $hanger) {
            $readings[] = [
                'leg' => $hanger['leg_id'],
                'at_mm' => $hanger['at']['mm'],
                'below_mm' => $hanger['below_string']['mm'] + ($n === 0 ? 0.9 : 6.0),
            ];
        }
        $catalogue = Catalogue::shipped();
        $hung = $job->job()->onSite(new OnSite(levels: ['a' => $readings]));
        $read = (new JobEvaluator($catalogue))->evaluate($hung, effort: Effort::of(20_000));
        $built = $read->record(new SiteLog([], new DateTimeImmutable('2026-11-30T12:00:00Z')))->toArray('')['runs'][0][
            'built'
        ];
        self::assertSame(count($level), count($built['hangers']));
        self::assertSame('leave', $built['hangers'][0]['move'], 'within the error of reading');
        self::assertSame('raise', $built['hangers'][1]['move']);
        self::assertEqualsWithDelta(6.0, $built['hangers'][1]['off_mm'], 1e-6);
        $none = $job->record(new SiteLog([], new DateTimeImmutable('2026-11-30T12:00:00Z')))->toArray('');
        self::assertSame([], $none['runs'][0]['built']['hangers']);
    }

    public function testWhatOpensOrMovesStaysWithinReach(): void
    {
        $job = CaseJob::of('ipc-2021', ['a' => ['cleanout', 'down 24 / north 60 fall 1/4', 'socket']]);
        $evaluated = (new JobEvaluator(Catalogue::shipped()))->evaluate($job, effort: Effort::of(20_000));
        $record = $evaluated->record(new SiteLog([], new DateTimeImmutable('2026-11-30T12:00:00Z')))->toArray('');
        self::assertSame(['the a: cleanout'], array_column($record['reach'], 'what'));
        self::assertSame([null, 0, ''], [$record['from'], $record['entries'], $record['hash']]);
    }

    public function testPipesLieOnTheMapWhereTheyLie(): void
    {
        $layout = self::job()->layout();
        /** @var array{features: list<array{geometry: array{type: string, coordinates: list<mixed>}}>} $local */
        $local = json_decode(GeoJson::write($layout, null), true, 32, JSON_THROW_ON_ERROR);
        $end = $layout->runs['a']->end;
        $line = $local['features'][0]['geometry'];
        self::assertSame('LineString', $line['type']);
        self::assertEqualsWithDelta(
            [$end->x / 1_000, $end->y / 1_000, $end->z / 1_000],
            $line['coordinates'][count($line['coordinates']) - 1],
            1e-4,
        );
        self::assertCount(1 + count($layout->runs['a']->joints), $local['features']);
        /** @var array{features: list<array{geometry: array{coordinates: list<array{float, float, float}>}}>} $map */
        $map = json_decode(GeoJson::write($layout, [10.0, 50.0]), true, 32, JSON_THROW_ON_ERROR);
        [$lon, $lat] = $map['features'][0]['geometry']['coordinates'][2];
        // A degree of latitude is 111.195 km on a sphere of the mean radius; of longitude less by the cosine.
        self::assertEqualsWithDelta($end->y / 1_000, ($lat - 50.0) * 111_195.0, 0.01);
        self::assertEqualsWithDelta($end->x / 1_000, ($lon - 10.0) * 111_195.0 * cos(deg2rad(50.0)), 0.01);
    }

    /**
     * @param list<array{EntryKind, Content}> $said
     * @return list<bool> whether each signature holds
     */
    private static function holding(array $said, string $document = 'doc'): array
    {
        return array_column(self::record($said, $document)['signatures'], 'holds');
    }

    /**
     * @param list<array{EntryKind, Content}> $said a minute apart
     * @return WrittenRecord
     */
    private static function record(array $said, string $document = 'doc', ?EvaluatedJob $job = null): array
    {
        $entries = [];
        foreach ($said as $n => [$kind, $content]) {
            $at = new DateTimeImmutable("2026-11-30T09:0{$n}:00Z");
            $entries[] = new Entry($n + 1, "key-{$n}", $kind, $content, $at, 'Anna', "hash-{$n}");
        }
        $log = new SiteLog($entries, new DateTimeImmutable('2026-11-30T13:00:00+01:00'));

        return ($job ?? self::job())->record($log)->toArray($document);
    }

    /** @param array<string, mixed> $more of its run */
    private static function job(array $more = []): EvaluatedJob
    {
        $job = CaseJob::of('ipc-2021', ['a' => ['socket', 'down 24 / north 60 fall 1/4', 'cap', $more]]);

        return (new JobEvaluator(Catalogue::shipped()))->evaluate($job, effort: Effort::of(20_000));
    }
}
