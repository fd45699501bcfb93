<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Flow\Manning;
use FallBend\Core\Network\SizeCheck;
use FallBend\Core\Network\Sizing;
use PHPUnit\Framework\TestCase;

/** What a pipe of a size takes, as each book counts it. */
final class SizingTest extends TestCase
{
    public function testAStackThatIsCountedInLitresTakesTheUnitsThatMakeThem(): void
    {
        $check = self::checks('adh-2015', self::soil('110'), 'stack')[0];
        // Q = K·√ΣDU: 7.2 l/s at K 0.5 are (7.2 / 0.5)² units.
        self::assertSame(['110', 'stack'], [$check->size, $check->place]);
        self::assertEqualsWithDelta(207.36, $check->mostLoad, 1e-9);
    }

    public function testALevelPipeTakesWhatFlowsInItAtTheMostFill(): void
    {
        $catalogue = Catalogue::shipped();
        $check = self::checks('adh-2015', self::soil('110'), 'stack')[1];
        $bore = $catalogue->system('pvcu-soil')->pipe('110')->boreMm;
        $flow = Manning::at($bore, 20.0, 0.75, 0.009)->dischargeLPerS;
        self::assertSame('drain', $check->place);
        self::assertEqualsWithDelta(($flow / 0.5) ** 2, $check->mostLoad, 0.01);
    }

    public function testALittleFallIsAFallStill(): void
    {
        $runs = ['a' => ['lavatory', 'north 1000 fall 0.8 mm/m', 'socket', ['size' => '50']]];
        self::assertGreaterThan(0.0, self::checks('adh-2015', $runs, 'a')[0]->mostLoad);
    }

    public function testAStackTakesMoreFromItsFourthStoreyOn(): void
    {
        $stack = static fn (int $storeys): array => [
            'stack' => ['roof', 'down 600', 'socket', ['size' => '3', 'use' => 'drain']],
        ] +
            array_combine(
                array_map(static fn (int $i): string => "f{$i}", range(1, $storeys)),
                array_map(
                    static fn (int $i): array => ['lavatory', 'north 30 fall 1/4', 'stack 1 '. 2600 * $i],
                    range(1, $storeys),
                ),
            );
        self::assertSame(48.0, self::checks('ipc-2021', $stack(3), 'stack')[0]->mostLoad);
        self::assertSame(72.0, self::checks('ipc-2021', $stack(4), 'stack')[0]->mostLoad);
    }

    public function testAVentAndABranchUnderItsFootAddNoStorey(): void
    {
        $runs = [
            'stack' => ['roof', 'down 600 / north 100 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
            'a' => ['lavatory', 'north 30 fall 1/4', 'stack 1 2600'],
            'b' => ['lavatory', 'north 30 fall 1/4', 'stack 1 5200'],
            'c' => ['lavatory', 'north 30 fall 1/4', 'stack 1 7800'],
            'v' => ['vent off stack 1 11000', 'east 20 / up 500', 'roof'],
            'd' => ['lavatory', 'east 30 fall 1/4', 'stack 2 1500'],
        ];
        $ofStack = array_filter(
            self::checks('ipc-2021', $runs, 'stack', 3),
            static fn (SizeCheck $check): bool => $check->place === 'stack',
        );
        self::assertSame(
            [48.0],
            array_values(array_map(static fn (SizeCheck $check): ?float => $check->mostLoad, $ofStack)),
        );
    }

    public function testALevelPipeOverAStackIsABranchWhereTheBookKnowsOne(): void
    {
        $runs = [
            'stack' => ['roof', 'down 200', 'socket', ['size' => '3', 'use' => 'drain']],
            'a' => ['lavatory', 'north 80 fall 1/4', 'stack 1 1000'],
        ];
        self::assertSame(['branch', 6.0], self::placeAndMost(self::checks('ipc-2021', $runs, 'a')[0]));
        $alone = ['a' => ['lavatory', 'north 80 fall 1/4', 'socket', ['size' => '3']]];
        self::assertSame('drain', self::checks('ipc-2021', $alone, 'a')[0]->place);
    }

    public function testALoadIsSaidAsTheBookCountsIt(): void
    {
        $network = CaseJob::network('ipc-2021', ['a' => ['lavatory', 'north 40 fall 1/4', 'socket']]);
        $units = new Sizing($network, Catalogue::shipped()->rulebook('ipc-2021'));
        $litres = new Sizing($network, Catalogue::shipped()->rulebook('adh-2015'));
        self::assertSame(
            ['1 fixture unit', '2.5 fixture units', '12 fixture units', '2.5 l/s of discharge units'],
            [$units->loadInWords(1.0), $units->loadInWords(2.5), $units->loadInWords(12.0), $litres->loadInWords(2.5)],
        );
    }

    /** @return array{string, ?float} */
    private static function placeAndMost(SizeCheck $check): array
    {
        return [$check->place, $check->mostLoad];
    }

    /** @return array<string, array{string, string, string, array<string, mixed>}> */
    private static function soil(string $size): array
    {
        $more = ['size' => $size, 'system' => 'pvcu-soil', 'use' => 'drain'];

        return ['stack' => ['roof', 'down 4000 / north 2000 fall 20 mm/m', 'socket', $more]];
    }

    /**
     * @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs
     * @param ?int $index of the segment of the run; null: its last
     * @return list<SizeCheck>
     */
    private static function checks(string $book, array $runs, string $run, ?int $index = null): array
    {
        $network = CaseJob::network($book, $runs);
        $segments = CaseJob::segments($network, $run);
        self::assertNotSame([], $segments);

        return (new Sizing($network, Catalogue::shipped()->rulebook($book)))->checks(
            $segments[$index ?? count($segments) - 1],
        );
    }
}
