<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Testing;

use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Joining\TroubleKind;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Testing\JobTesting;
use FallBend\Core\Testing\Stage;
use FallBend\Core\Testing\TestingTexts;
use FallBend\Core\Testing\TestKind;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * @phpstan-import-type WrittenSystem from JobTesting
 * @phpstan-import-type Content from \FallBend\Core\Site\EntryFile
 */
final class JobTestingTest extends TestCase
{
    private const NOW = '2026-11-30T12:00:00Z';

    /** @return iterable<string, array{string, string, list<array{string, ?float, ?float}>}> book, stage, tests */
    public static function books(): iterable
    {
        yield 'IPC rough-in' => ['ipc-2021', 'rough-in', [['water', 3048.0, 15.0], ['air', 34.474, 15.0]]];
        yield 'IRC rough-in' => ['irc-2021', 'rough-in', [['water', 1524.0, 15.0], ['air', 34.474, 15.0]]];
        yield 'UPC rough-in' => ['upc-2021', 'rough-in', [['water', 3048.0, 15.0], ['air', 34.474, 15.0]]];
        yield 'NPC rough-in' => ['npc-2020', 'rough-in', [['water', 3000.0, 15.0], ['air', 35.0, 15.0]]];
        yield 'AD H rough-in' => ['adh-2015', 'rough-in', [['low-air', 38.0, 3.0]]];
        yield 'IPC finished' => [
            'ipc-2021',
            'finished',
            [['smoke', 25.4, 15.0], ['peppermint', null, null], ['seen', null, null]],
        ];
        yield 'UPC finished' => ['upc-2021', 'finished', [['seen', null, null]]];
        yield 'NPC finished' => ['npc-2020', 'finished', [['low-air', 25.4, 15.0], ['seen', null, null]]];
        yield 'AD H finished' => ['adh-2015', 'finished', [['low-air', 38.0, 3.0], ['seen', null, null]]];
        yield 'IPC buried' => ['ipc-2021', 'buried', [['water', 3048.0, 15.0]]];
        yield 'IRC buried' => ['irc-2021', 'buried', []];
        yield 'AD H buried' => ['adh-2015', 'buried', [['top-up', 1500.0, 30.0], ['buried-air', 100.0, 7.0]]];
    }

    /** @param list<array{string, ?float, ?float}> $tests */
    #[DataProvider('books')]
    public function testABookSpeaksForItselfAlone(string $book, string $stage, array $tests): void
    {
        $system = self::system(self::job($book), Stage::from($stage));
        self::assertSame(
            $tests,
            array_map(
                static fn (array $one): array => [$one['kind'], $one['required'], $one['minutes']],
                $system['methods'],
            ),
        );
        $isSilent = array_filter(array_column($tests, 2)) === [];
        self::assertSame($isSilent, in_array('test.bookSaysNothing', array_column($system['findings'], 'rule'), true));
    }

    public function testCompressedAirIsRefusedOnPlasticWithItsReasonAndTakenOnIron(): void
    {
        foreach (['ipc-2021', 'irc-2021', 'upc-2021', 'npc-2020'] as $book) {
            $air = array_column(self::system(self::job($book))['methods'], null, 'kind')['air'];
            self::assertNotNull($air['refused'], $book);
            self::assertSame('test.airOnPlastic', $air['refused']['rule']);
            self::assertStringContainsString('PVC', $air['refused']['why']);
        }
        $iron = self::system(self::job('ipc-2021', ['system' => 'ci-no-hub']));
        self::assertNull(array_column($iron['methods'], null, 'kind')['air']['refused']);
    }

    public function testACrewThatIsAskedForAnotherHeadSeesItsOwn(): void
    {
        $job = self::job('irc-2021');
        $own = new RulebookOverride('irc-2021', 'test.rough-in.head', 3_048.0, 'the inspector');
        $job = new Job($job->name, '', $job->units, $job->rulebook, $job->runs, [], [$own]);
        $water = self::system($job)['methods'][0];
        self::assertSame(3_048.0, $water['required']);
        self::assertSame('the inspector', $water['sources'][0]['source']);
    }

    public function testItIsTestedOnceAllIsMadeAndHasCured(): void
    {
        self::assertSame('not-made', self::state([]));
        self::assertSame('waits', self::state(self::made(5)));
        self::assertSame('ready', self::state(self::made(3_000)));
        $system = self::system(self::job(), log: self::log(self::made(5)));
        self::assertNotNull($system['ready_at']);
        $rules = array_column($system['findings'], 'rule');
        self::assertContains('test.notCured', $rules);
        self::assertNotContains('test.notMade', $rules);
    }

    public function testATestIsPassedByItsReadingsAndDoneOnceAllWasLookedAt(): void
    {
        $begun = [
            ...self::made(3_000),
            [30, EntryKind::TestBegun, ['system' => 'a', 'stage' => 'rough-in', 'what' => 'water'], 'test-key'],
        ];
        self::assertSame('running', self::state($begun));
        $held = [...$begun, ...self::readings([[29, 0.0], [13, -1.0]])];
        self::assertSame('passed', self::state($held));
        $walked = [...$held, ...self::walked(true, 10)];
        self::assertSame('passed', self::state($walked), 'what else is looked at is missing');
        $done = $walked;
        foreach (TestingTexts::checks(Stage::RoughIn, 'ipc-2021', TestKind::Water) as $check) {
            $said = ['system' => 'a', 'stage' => 'rough-in', 'check' => $check['key'], 'ok' => true];
            $done[] = [5, EntryKind::Check, $said, ''];
        }
        self::assertSame('done', self::state($done));
        $opened = [...$done, [2, EntryKind::CutOut, ['run' => 'a', 'joint' => 2], '']];
        self::assertSame('not-made', self::state($opened), 'what is open cannot be tight');
        $mended = [...$opened, [1, EntryKind::Joint, ['run' => 'a', 'joint' => 2], '']];
        self::assertSame('reopened', self::state($mended));
        $rules = array_column(self::system(self::job(), log: self::log($mended))['findings'], 'rule');
        self::assertContains('test.reopened', $rules);
    }

    public function testATestThatFailedOpensItsJointAndIsBegunAgainOnceThatIsMended(): void
    {
        $failed = [
            ...self::made(9_000),
            [300, EntryKind::TestBegun, ['system' => 'a', 'stage' => 'rough-in', 'what' => 'water'], 'test-key'],
            ...self::readings([[299, 0.0], [290, -20.0]]),
        ];
        self::assertSame('failed', self::state($failed));
        $found = [...$failed, [289, EntryKind::Walk, ['run' => 'a', 'joint' => 3, 'dry' => false], '']];
        self::assertSame('failed', self::state($found));
        $system = self::system(self::job(), log: self::log($found));
        self::assertSame('wrong', $system['joints'][2]['state']);
        self::assertContains('test.inTrouble', array_column($system['findings'], 'rule'));
        $mended = [...$found, [2, EntryKind::Joint, ['run' => 'a', 'joint' => 3], '']];
        self::assertSame('waits', self::state($mended));
    }

    public function testATestOfAnotherStageOrOfOtherPipesIsNoneOfThese(): void
    {
        foreach ([['b', 'rough-in'], ['a', 'finished']] as [$of, $stage]) {
            $log = self::log([
                ...self::made(3_000),
                [30, EntryKind::TestBegun, ['system' => $of, 'stage' => $stage, 'what' => 'water'], 'test-key'],
                ...self::readings([[29, 0.0], [13, 0.0]]),
            ]);
            self::assertSame([], self::system(self::job(), log: $log)['tests']);
        }
    }

    public function testOnlyThePipesThatAreAskedForAreSaidAndHowFarTheOthersAre(): void
    {
        $legs = 'down 24 / north 60 fall 1/4';
        $run = ['socket', $legs, 'socket', []];
        $job = CaseJob::of('ipc-2021', ['a' => $run, 'b' => $run]);
        $testing = self::evaluated($job)->testing(self::log(self::made(3_000)));
        $asked = $testing->toArray(Stage::RoughIn, 'b');
        self::assertSame('b', $asked['system']['id'] ?? null);
        self::assertSame(['a' => 'ready'], array_column($asked['others'], 'state', 'id'));
        self::assertSame(['b' => 'not-made'], array_column(
            $testing->toArray(Stage::RoughIn, 'a')['others'],
            'state',
            'id',
        ));
    }

    public function testSmokeAndPeppermintAreWalkedEachItsOwnWay(): void
    {
        $keys = static function (array $log): array {
            /** @var list<array{int, EntryKind, Content, string}> $log */
            return array_column(self::system(self::job(), Stage::Finished, self::log($log))['checks'], 'key');
        };
        $begun = static fn (string $kind): array => [
            ...self::made(3_000),
            [30, EntryKind::TestBegun, ['system' => 'a', 'stage' => 'finished', 'what' => $kind], 'test-key'],
        ];
        self::assertNotContains('smoke-rooms', $keys(self::made(3_000)));
        self::assertContains('smoke-rooms', $keys($begun('smoke')));
        self::assertNotContains('oil-rooms', $keys($begun('smoke')));
        self::assertContains('oil-outside', $keys($begun('peppermint')));
        // It is not over before the smoke is out and everybody knows.
        $held = [
            ...$begun('smoke'),
            ...self::readings([[29, 25.4], [13, 25.4]]),
            ...self::walked(true, 10),
        ];
        foreach (TestingTexts::checks(Stage::Finished, 'ipc-2021', null) as $check) {
            $said = ['system' => 'a', 'stage' => 'finished', 'check' => $check['key'], 'ok' => true];
            $held[] = [5, EntryKind::Check, $said, ''];
        }
        self::assertSame('passed', self::system(self::job(), Stage::Finished, self::log($held))['state']);
        foreach (['smoke-told', 'smoke-stacks', 'smoke-rooms', 'smoke-cleared'] as $key) {
            $said = ['system' => 'a', 'stage' => 'finished', 'check' => $key, 'ok' => true];
            $held[] = [4, EntryKind::Check, $said, ''];
        }
        self::assertSame('done', self::system(self::job(), Stage::Finished, self::log($held))['state']);
    }

    public function testWhatIsLookedAtOnlyWhereItIsAskedForKeepsNothingOpen(): void
    {
        $checks = self::system(self::job('npc-2020'), Stage::Buried)['checks'];
        self::assertSame(['ball', 'lamp'], array_column(array_filter(
            $checks,
            static fn (array $check): bool => $check['asked'],
        ), 'key'));
        self::assertNotContains('ball', array_column(self::system(self::job(), Stage::Buried)['checks'], 'key'));
    }

    public function testPlugsThatAreAskedTooMuchAreNamed(): void
    {
        $tall = CaseJob::of('ipc-2021', ['a' => ['roof', 'down 900', 'socket', ['size' => '4', 'use' => 'drain']]]);
        $findings = array_column(self::system($tall)['findings'], null, 'rule');
        self::assertArrayHasKey('test.plugHead', $findings);
        self::assertArrayHasKey('test.plugForce', $findings);
        self::assertStringContainsString('lb', $findings['test.plugForce']['why']);
        $low = self::system(CaseJob::of('ipc-2021', ['a' => ['roof', 'down 60', 'socket', ['use' => 'drain']]]));
        self::assertSame([], array_filter(
            array_column($low['findings'], 'rule'),
            static fn (string $rule): bool => str_starts_with($rule, 'test.plug'),
        ));
    }

    public function testADrainThatFallsTooFarForOneTestIsSaidToBe(): void
    {
        $pipe = ['system' => 'pvcu-underground', 'size' => '110'];
        $steep = CaseJob::of('adh-2015', ['a' => ['socket', 'down 4000 / north 2000 fall 25', 'socket', $pipe]]);
        $rules = array_column(self::system($steep, Stage::Buried)['findings'], 'rule');
        self::assertContains('test.headMost', $rules);
    }

    public function testFrostIsSaidWhereItIsColderThanWaterStands(): void
    {
        $job = self::job();
        $cold = static fn (float $air): Job => new Job(
            $job->name,
            '',
            $job->units,
            $job->rulebook,
            $job->runs,
            [],
            [],
            conditions: new Conditions($air, $air, 50.0, false, true),
        );
        self::assertContains('test.frost', array_column(self::system($cold(-2.0))['findings'], 'rule'));
        self::assertNotContains('test.frost', array_column(self::system($cold(4.0))['findings'], 'rule'));
    }

    public function testEveryKindOfEndAndOfTestHasItsWordsAtEveryStage(): void
    {
        foreach (Stage::cases() as $stage) {
            self::assertNotSame('', TestingTexts::stage($stage)['name']);
            foreach (RunEndKind::cases() as $kind) {
                if (! in_array($kind, [RunEndKind::Branch, RunEndKind::Run], true)) {
                    self::assertNotSame('', TestingTexts::opening($kind, $stage, false), $kind->value);
                }
            }
        }
        foreach (TestKind::cases() as $kind) {
            self::assertSame($kind->isRead(), TestingTexts::kind($kind)['unit'] !== '', $kind->value);
        }
    }

    public function testEveryMethodOfJoiningHasItsStepsItsCheckAndWhatToDoWhereItGoesWrong(): void
    {
        foreach (Method::cases() as $method) {
            $text = MethodTexts::text($method);
            self::assertGreaterThan(2, count($text['steps']), $method->value);
            self::assertNotSame('', $text['check'], $method->value);
            $kinds = array_column($text['troubles'], 'what');
            $wanted = array_column(TroubleKind::cases(), 'value');
            // What is not cemented is never too late.
            $isCemented = $text['first_water'] === 'after-cure';
            self::assertEqualsCanonicalizing(
                $isCemented ? $wanted : array_values(array_diff($wanted, ['too-late'])),
                $kinds,
                $method->value,
            );
            foreach ($text['troubles'] as $trouble) {
                self::assertFalse($trouble['act'] === 'cut-out' && $text['opens'], "{$method->value} opens");
            }
        }
    }

    /** @param array<string, mixed> $with */
    private static function job(string $book = 'ipc-2021', array $with = []): Job
    {
        $isUk = $book === 'adh-2015';
        $legs = match (true) {
            $isUk => 'down 600 / north 1500 fall 25',
            $book === 'npc-2020' => 'down 600 / north 1500 fall 1/4',
            default => 'down 24 / north 60 fall 1/4',
        };

        return CaseJob::of($book, ['a' => ['socket', $legs, 'socket', $with]]);
    }

    /** @return WrittenSystem */
    private static function system(Job $job, Stage $stage = Stage::RoughIn, ?SiteLog $log = null): array
    {
        return self::evaluated($job)->testing($log ?? self::log([]))->toArray($stage, 'a')['system'] ??
            self::fail('there are no such pipes');
    }

    private static function evaluated(Job $job): EvaluatedJob
    {
        return (new JobEvaluator(Catalogue::shipped()))->evaluate($job, effort: Effort::of(20_000));
    }

    /** @param list<array{int, EntryKind, Content, string}> $said */
    private static function state(array $said): string
    {
        return self::system(self::job(), log: self::log($said))['state'];
    }

    /** @return list<array{int, EntryKind, Content, string}> all joints, so many minutes ago */
    private static function made(int $ago): array
    {
        $joints = self::evaluated(self::job())->run('a')->joints;

        return array_map(
            static fn ($joint): array => [$ago, EntryKind::Joint, ['run' => 'a', 'joint' => $joint->number], ''],
            $joints,
        );
    }

    /** @return list<array{int, EntryKind, Content, string}> */
    private static function walked(bool $isDry, int $ago): array
    {
        return array_map(
            static fn (array $made): array => [$ago, EntryKind::Walk, $made[2] + ['dry' => $isDry], ''],
            self::made($ago),
        );
    }

    /**
     * @param list<array{int, float}> $readings
     * @return list<array{int, EntryKind, Content, string}>
     */
    private static function readings(array $readings): array
    {
        return array_map(
            static fn (array $one): array => [
                $one[0],
                EntryKind::Reading,
                ['test' => 'test-key', 'value' => $one[1]],
                '',
            ],
            $readings,
        );
    }

    /** @param list<array{int, EntryKind, Content, string}> $said minutes ago, kind, content, key */
    private static function log(array $said): SiteLog
    {
        $now = new DateTimeImmutable(self::NOW);
        $entries = [];
        foreach ($said as $n => [$ago, $kind, $content, $key]) {
            $at = $now->modify("-{$ago} minutes");
            $entries[] = new Entry($n + 1, $key === '' ? "key-{$n}" : $key, $kind, $content, $at, 'Anna');
        }

        return new SiteLog($entries, $now);
    }
}
