<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Network\Sizing;
use PHPUnit\Framework\TestCase;

/** What one pipe of a network says of itself, and what size would carry it. */
final class SegmentTest extends TestCase
{
    public function testItsFlattestFallIsThatOfALevelStretch(): void
    {
        $segment = self::segments([
            'a' => ['lavatory', 'north 40 fall 1/2 / down 30 / north 40 fall 1/4', 'socket'],
        ])[0];
        self::assertEqualsWithDelta(1000 / 48, $segment->leastFallMmPerM() ?? 0.0, 0.01);
        self::assertTrue($segment->hasUpright());
        self::assertSame(1, $segment->firstLeg()?->line->number);
        $upright = self::segments(['a' => ['lavatory', 'down 30', 'socket']])[0];
        self::assertNull($upright->leastFallMmPerM());
        self::assertFalse(self::segments(['a' => ['lavatory', 'north 40 fall 1/4', 'socket']])[0]->hasUpright());
    }

    public function testTheSizeThatWouldDoIsOneThatItsTrapGoesInto(): void
    {
        // A 1-1/2 in drain would carry what a floor drain loads it with; its trap is 2 in.
        $network = self::network(['a' => ['floor-drain', 'north 40 fall 1/4', 'socket', ['size' => '1-1/2']]]);
        $sizing = new Sizing($network, Catalogue::shipped()->rulebook('ipc-2021'));
        $check = $sizing->checks($network->segments[0])[0];
        self::assertSame('2', $sizing->proposed($network->segments[0], $check));
    }

    public function testTheSizeThatWouldDoIsOneThatWhatFlowsInGoesInto(): void
    {
        $network = self::network([
            'main' => ['lavatory', 'north 80 fall 1/4', 'socket', ['size' => '1-1/2', 'use' => 'drain']],
            'large' => ['lavatory', 'east 40 fall 1/4', 'main 1 1000', ['size' => '2']],
        ]);
        $below = array_values(
            array_filter(
                $network->segments,
                static fn (Segment $segment): bool => $segment->run() === 'main' && $segment->fromMm > 0.0,
            ),
        );
        $sizing = new Sizing($network, Catalogue::shipped()->rulebook('ipc-2021'));
        self::assertSame('2', $sizing->proposed($below[0], $sizing->checks($below[0])[0]));
    }

    public function testWithoutAFallNoFlowIsProposed(): void
    {
        $network = self::network(['a' => ['lavatory', 'north 1000mm level', 'socket']], 'adh-2015');
        $sizing = new Sizing($network, Catalogue::shipped()->rulebook('adh-2015'));
        self::assertNull($sizing->checks($network->segments[0])[0]->mostLoad);
        $falling = self::network(['a' => ['lavatory', 'north 1000mm fall 20 mm/m', 'socket']], 'adh-2015');
        $of = new Sizing($falling, Catalogue::shipped()->rulebook('adh-2015'));
        self::assertGreaterThan(0.0, $of->checks($falling->segments[0])[0]->mostLoad ?? 0.0);
    }

    public function testNothingRunsInAVent(): void
    {
        $network = self::network([
            'a' => ['lavatory', 'north 40 fall 1/4', 'socket'],
            'v' => ['vent off a 1 500', 'up 90', 'roof'],
        ]);
        $vent = CaseJob::segments($network, 'v')[0];
        self::assertSame([0.0, 0, false], [$vent->load, $vent->closets, $vent->isWet]);
    }

    public function testAPlaceIsOnTheLegThatBeginsThere(): void
    {
        $network = self::network(['a' => ['lavatory', 'north 40 fall 1/4 / east 40 fall 1/4', 'socket']]);
        $second = $network->layout->runs['a']->legs[1]->tapeMm;
        self::assertSame(2, $network->where('a', $second)->leg);
        self::assertSame(1, $network->where('a', $second - 0.5)->leg);
        self::assertSame(1, $network->where('a', 0.0)->leg);
    }

    /**
     * @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs
     * @return list<Segment>
     */
    private static function segments(array $runs): array
    {
        return self::network($runs)->segments;
    }

    /** @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs */
    private static function network(array $runs, string $book = 'ipc-2021'): Network
    {
        return CaseJob::network($book, $runs);
    }
}
