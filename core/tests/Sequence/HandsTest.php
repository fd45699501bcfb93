<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Sequence;

use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Sequence\DoneJoints;
use FallBend\Core\Sequence\Hands;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

/**
 * Who holds what while joints are made.
 *
 * @phpstan-import-type Held from Hands
 */
final class HandsTest extends TestCase
{
    /**
     * @param list<int> $made joints that are made
     * @param array<string, mixed> $with of the run
     * @return array<array-key, list<string>> what is done, by joint: `1 keeps …`
     */
    private static function hands(string $legs, int $people, array $made = [], array $with = []): array
    {
        $job = CaseJob::of('ipc-2021', ['a' => ['cap', $legs, 'socket', $with]]);
        $evaluated = (new JobEvaluator(Catalogue::shipped()))->evaluate($job, effort: Effort::of(20_000));
        $at = new DateTimeImmutable('2026-11-30T07:00:00Z');
        $entries = [];
        foreach ($made as $n => $joint) {
            $said = ['run' => 'a', 'joint' => $joint];
            $entries[] = new Entry($n + 1, "key-{$n}", EntryKind::Joint, $said, $at, 'Anna');
        }
        $asked = DayAsked::read(Fields::of(['people' => $people, 'start' => '2026-11-30T08:00:00+01:00']));
        $log = new SiteLog($entries, $at->modify('+1 hour'));
        $held = [];
        foreach ($evaluated->day('a')->toArray($asked, DoneJoints::of($log, 'a'))['hands'] as $one) {
            $held[$one['joint']][] = "{$one['who']} {$one['does']}";
        }

        return $held;
    }

    public function testWhatIsJoinedIsKeptStillAndTheNextIsBroughtToIt(): void
    {
        $held = self::hands('down 24 / north 40 fall 1/4', 1, [1, 2]);
        self::assertSame([3, 4], array_keys($held));
        self::assertStringStartsWith('1 coats both, keeps the ', $held[3][0] ?? '');
        self::assertStringContainsString(' still and brings piece 1B home, and holds it 30 s', $held[3][0] ?? '');
    }

    public function testWhereTheRunEndsNothingIsMoved(): void
    {
        foreach ([[], [1, 2, 3]] as $made) {
            $last = self::hands('down 24 / north 40 fall 1/4', 1, $made)[4][0] ?? '';
            self::assertStringContainsString(' still and brings piece 1B home', $last);
            self::assertStringNotContainsString('keeps piece 1B', $last);
        }
    }

    public function testWhatIsMadeInOneBreathIsPushedHomeAtOneWord(): void
    {
        $catalogue = Catalogue::shipped();
        $text = (string) file_get_contents(__DIR__.'/../../../database/demo/mill-row-pottery.json');
        $job = (new JobEvaluator($catalogue))->evaluate((new JobFile($catalogue))->parse($text));
        $asked = DayAsked::read(Fields::of(['people' => 2, 'start' => '2026-11-30T08:00:00+01:00']));
        $held = $job->day('clay-wash')->toArray($asked)['hands'];
        foreach ([1 => 'coats this joint', 14 => 'makes this joint ready'] as $joint => $does) {
            $of = array_values(array_filter($held, static fn (array $one): bool => $one['joint'] === (string) $joint));
            $said = "{$does}; both of this breath are pushed home at one word";
            self::assertStringStartsWith($said, $of[0]['does'] ?? '');
        }
    }

    public function testALongPieceHasItsFarEndOnAStand(): void
    {
        $held = self::hands('down 24 / north 90 fall 1/4', 1);
        self::assertStringEndsWith('; the far end of 1B rests on a stand', $held[4][0] ?? '');
        self::assertStringNotContainsString('stand', $held[1][0] ?? '');
    }

    public function testTwoOnALargeJointHaveEachTheirPart(): void
    {
        $large = self::hands('north 60 fall 1/8', 2, [], ['size' => '6']);
        self::assertCount(2, $large);
        foreach ($large as $both) {
            self::assertCount(2, $both);
            self::assertMatchesRegularExpression('/^1 coats .+, then keeps .+ still against the push/', $both[0]);
            self::assertMatchesRegularExpression('/^2 coats .+, then brings .+ home/', $both[1]);
        }
    }

    public function testEveryJointThatIsStillToBeMadeIsSomebodys(): void
    {
        foreach ([1, 2] as $people) {
            $held = self::hands('down 24 / north 40 fall 1/4 / right 30 fall 1/4', $people);
            self::assertEqualsCanonicalizing(range(1, 6), array_keys($held));
            foreach (array_merge(...$held) as $one) {
                self::assertLessThanOrEqual($people, (int) $one[0]);
            }
        }
        self::assertSame([], self::hands('down 24', 1, [1, 2]));
    }
}
