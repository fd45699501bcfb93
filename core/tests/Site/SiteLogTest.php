<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Site;

use DateTimeImmutable;
use DateTimeZone;
use FallBend\Core\Joining\TroubleKind;
use FallBend\Core\Sequence\DoneJoints;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\JointStanding;
use FallBend\Core\Site\SiteLog;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** @phpstan-import-type Content from \FallBend\Core\Site\EntryFile */
final class SiteLogTest extends TestCase
{
    /** @return iterable<string, array{list<array{EntryKind, Content}>, ?TroubleKind, bool}> said, wrong, if made */
    public static function courses(): iterable
    {
        $made = [EntryKind::Joint, []];
        yield 'nothing' => [[], null, false];
        yield 'tried dry' => [[[EntryKind::DryFit, []]], null, false];
        yield 'made' => [[$made], null, true];
        yield 'seen as it should be' => [[$made, [EntryKind::Seen, ['depth' => true, 'bead' => true]]], null, true];
        yield 'not at its mark' => [[$made, [EntryKind::Seen, ['depth' => false]]], TroubleKind::NotHome, true];
        yield 'off its line' => [[$made, [EntryKind::Seen, ['angle' => false]]], TroubleKind::WrongWay, true];
        yield 'no bead' => [[$made, [EntryKind::Seen, ['bead' => false]]], TroubleKind::Leaks, true];
        yield 'moved' => [[$made, [EntryKind::Trouble, ['what' => 'moved']]], TroubleKind::Moved, true];
        yield 'wet under test' => [[$made, [EntryKind::Walk, ['dry' => false]]], TroubleKind::Leaks, true];
        yield 'dry under test' => [[$made, [EntryKind::Walk, ['dry' => true]]], null, true];
        yield 'wet, then dry without a repair' => [
            [$made, [EntryKind::Walk, ['dry' => false]], [EntryKind::Walk, ['dry' => true]]],
            TroubleKind::Leaks,
            true,
        ];
        yield 'wet, then made again' => [[$made, [EntryKind::Walk, ['dry' => false]], $made], null, true];
        yield 'cut out' => [[$made, [EntryKind::Trouble, ['what' => 'moved']], [EntryKind::CutOut, []]], null, false];
        yield 'cut out and made again' => [[$made, [EntryKind::CutOut, []], $made], null, true];
    }

    /** @param list<array{EntryKind, Content}> $said */
    #[DataProvider('courses')]
    public function testAJointStandsAsItWasSaidLast(array $said, ?TroubleKind $wrong, bool $isMade): void
    {
        $joint = self::log(...$said)->joint('r', 4);
        self::assertSame([$wrong, $isMade], [$joint->trouble(), $joint->made !== null]);
        self::assertSame($isMade && $wrong === null, $joint->isGood());
    }

    public function testWhatWasTakenBackWasNotSaid(): void
    {
        $log = self::log(
            [EntryKind::Joint, []],
            [EntryKind::Trouble, ['what' => 'leaks']],
            [EntryKind::TakenBack, ['entry' => 2]],
        );
        self::assertTrue($log->joint('r', 4)->isGood());
        self::assertSame([1], array_column($log->entries, 'number'));
        self::assertSame(3, $log->last()?->number);
    }

    public function testAJointThatIsWrongIsToBeMadeAgainAndNeedsNoDryFitUnlessItWasCutOut(): void
    {
        $done = DoneJoints::of(self::log([EntryKind::Joint, []], [EntryKind::Seen, ['depth' => false]]), 'r');
        self::assertSame([[], ['4']], [$done->made, $done->dry]);
        $done = DoneJoints::of(self::log([EntryKind::Joint, []], [EntryKind::CutOut, []]), 'r');
        self::assertSame([[], []], [$done->made, $done->dry]);
    }

    public function testAnotherJointAndAnotherRunAreNotMeant(): void
    {
        $log = self::log([EntryKind::Joint, []]);
        self::assertEquals(new JointStanding, $log->joint('r', 5));
        self::assertSame([], $log->joints('other'));
    }

    public function testTheNumberBeforeSigningIsOfTheLastThatIsNoSignature(): void
    {
        $log = self::log([EntryKind::Joint, []], [EntryKind::Signed, ['name' => 'A']], [EntryKind::Signed, []]);
        self::assertSame(1, $log->lastBeforeSigning());
        self::assertSame(0, (new SiteLog([], new DateTimeImmutable))->lastBeforeSigning());
        self::assertNull((new SiteLog([], new DateTimeImmutable))->last());
    }

    public function testItsTimeIsSaidInAZone(): void
    {
        $log = self::log()->in(new DateTimeZone('+02:00'));
        self::assertSame('2026-11-30T12:00:00+02:00', $log->now->format(DATE_ATOM));
    }

    /** @param array{EntryKind, Content} ...$said all of joint 4 of one run, a minute apart */
    private static function log(array ...$said): SiteLog
    {
        $entries = [];
        foreach (array_values($said) as $n => [$kind, $content]) {
            $at = new DateTimeImmutable("2026-11-30T09:0{$n}:00Z");
            $of = $kind === EntryKind::TakenBack || $kind === EntryKind::Signed ? [] : ['run' => 'r', 'joint' => 4];
            $entries[] = new Entry($n + 1, "key-{$n}", $kind, $of + $content, $at, 'Anna');
        }

        return new SiteLog($entries, new DateTimeImmutable('2026-11-30T10:00:00Z'));
    }
}
