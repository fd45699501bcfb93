<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\CallOut\CallOutPrinter;
use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\TurnTrouble;
use FallBend\Core\Measure\Units;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A closet bend comes down in one size and goes on in a smaller one, without a bushing. */
final class ClosetBendTest extends TestCase
{
    private const LINE = 'down 12 / east 60 fall 1/4 with a closet bend 4x3';

    public function testItTurnsFromOneSizeIntoTheOther(): void
    {
        $layout = Fixtures::layout(self::LINE, ['size' => '3']);
        self::assertCount(1, $layout->fittings, 'no bushing');
        [$fitting] = $layout->fittings;
        self::assertSame('closet/4x3', $fitting->part->id);
        self::assertSame(['4', '3'], array_column($layout->pieces, 'size'));
        $sizes = array_map(static fn (Joint $joint): string => $joint->size, $layout->joints);
        self::assertSame(['4', '4', '3', '3'], $sizes);
        foreach ($layout->legs as $i => $leg) {
            $take = $i === 0 ? $fitting->intoMm : $fitting->outOfMm;
            self::assertEqualsWithDelta($leg->centreMm, $layout->pieces[$i]->cutMm + $take, 1e-6);
            self::assertGreaterThan(0.0, $layout->pieces[$i]->doubtMm(), 'no table states it: cut long, and trimmed');
        }
    }

    public function testItsLengthsFollowFromTheBendsOfItsSizes(): void
    {
        foreach (['pvc-dwv-40', 'pvc-cellular-40', 'abs-dwv-40', 'abs-cellular-40', 'ci-no-hub'] as $key) {
            $system = Catalogue::shipped()->system($key);
            $bend = $system->closetBend('4', '3');
            self::assertNotNull($bend, $key);
            self::assertSame('4 × 3', $bend->sizeInWords());
            // The sweep is that of 3 in, and its pipe ends clear of the one that comes down.
            self::assertLessThan($system->bend('quarter', '4', false)->takeOffMm ?? 0.0, $bend->takeOffMm, $key);
            self::assertGreaterThan($system->pipe('4')->outsideMm / 2, $bend->outletMm(), $key);
            self::assertGreaterThanOrEqual(
                $system->bend('quarter', '3', false)->takeOffMm ?? INF,
                $bend->outletMm() + 1e-9,
                $key,
            );
            self::assertNotContains($bend->id, array_column($system->plainBends('4'), 'id'), 'none takes it unasked');
        }
    }

    /** @return array<string, array{string, ?string, ?TurnTrouble}> line, bend, trouble */
    public static function others(): array
    {
        return [
            'of one size it is a quarter bend' => ['down 12 / east 60 with a closet bend', 'quarter/3', null],
            'one that is not made' => [
                'down 12 / east 60 with a closet bend 4x2',
                null,
                TurnTrouble::NoSuchFitting,
            ],
        ];
    }

    #[DataProvider('others')]
    public function testWhatIsNotMadeIsSaid(string $line, ?string $bend, ?TurnTrouble $trouble): void
    {
        $turn = Fixtures::layout($line, ['size' => '3'])->legs[1]->turn;
        self::assertSame($bend, $turn?->bends[0]->id ?? null);
        self::assertSame($trouble, $turn?->trouble);
    }

    public function testWhatIsSaidBackIsReadAgain(): void
    {
        $reader = new CallOutReader(Units::Inch, Fixtures::SIZES);
        $run = $reader->apply(Fixtures::run(''), self::LINE);
        $said = (new CallOutPrinter(Units::Inch))->line($run->legs);
        self::assertSame("down 12 size 4 / east 5' fall 1/4 size 3 with closet bend", $said);
        self::assertEquals($run->legs, $reader->apply($run, $said)->legs);
    }
}
