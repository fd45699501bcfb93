<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Tests\Support\Answer;
use Tests\Support\Served;

/** More than can be answered soon is told to come again, and the rest is answered. */
final class BusyTest extends TestCase
{
    /** More than are worked on or wait at a time (`FALL_BEND_AT_ONCE`). */
    private const AT_ONCE = 200;

    public function testWhatIsTooMuchIsShedAndTheRestAnswered(): void
    {
        $lead = Served::as('lead');
        $requests = array_fill(0, self::AT_ONCE, ['GET', '/api/session']);
        $answers = $lead->together($requests, self::AT_ONCE);
        $of = static fn (int $status): array => array_values(
            array_filter($answers, static fn (Answer $answer): bool => $answer->status === $status),
        );
        [$answered, $shed] = [$of(200), $of(503)];
        self::assertCount(self::AT_ONCE, [...$answered, ...$shed], 'nothing else comes of it');
        self::assertGreaterThanOrEqual(48, count($answered));
        self::assertNotSame([], $shed);
        self::assertSame('busy', $shed[0]->json()['code'], $shed[0]->said());
        self::assertSame(200, $lead->send('GET', '/api/session')->status, 'and then it is as before');
    }

    public function testWhoAsksForTooMuchLeavesRoomForTheOthers(): void
    {
        $lead = Served::as('lead');
        $other = $lead->from('127.0.0.2');
        $flood = array_fill(0, self::AT_ONCE, [$lead, ['GET', '/api/session']]);
        $few = array_fill(0, 12, [$other, ['GET', '/api/session']]);
        $answers = Served::ofAll([...$flood, ...$few], self::AT_ONCE + 12);
        $statuses = array_map(static fn (Answer $answer): int => $answer->status, $answers);
        self::assertContains(503, array_slice($statuses, 0, self::AT_ONCE), 'one address is told to come again');
        self::assertSame(array_fill(0, 12, 200), array_slice($statuses, self::AT_ONCE), 'the others are answered');
    }
}
