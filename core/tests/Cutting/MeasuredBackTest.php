<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cutting;

use FallBend\Core\Cutting\MeasuredBack;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class MeasuredBackTest extends TestCase
{
    /**
     * @return iterable<string, array{string, array<string, float>, array<string, float>}> legs, what came out longer by
     *     letter, what changes by letter
     */
    public static function byHand(): iterable
    {
        $zigzag = 'north 60 fall 0 / right 40 fall 0 / left 60 fall 0 / right 40 fall 0';
        yield 'as it was meant' => [$zigzag, ['A' => 0.0], []];
        yield 'a hair is nothing' => [$zigzag, ['A' => 0.04], []];
        yield 'the next one the same way takes it' => [$zigzag, ['A' => 5.0], ['A' => 5.0, 'C' => -5.0]];
        yield 'not one that is cut' => [$zigzag, ['A' => 5.0, 'C' => 0.0], ['A' => 5.0]];
        yield 'two the same way' => [
            $zigzag,
            ['A' => 5.0, 'B' => -3.0],
            ['A' => 5.0, 'C' => -5.0, 'B' => -3.0, 'D' => 3.0],
        ];
        yield 'upstream where nothing is left downstream' => [$zigzag, ['C' => -4.0], ['C' => -4.0, 'A' => 4.0]];
        yield 'two eighths take up a straight one' => [
            'north 60 fall 0 / right 45° 40 fall 0 / left 90° 40 fall 0',
            ['A' => 4.0],
            ['A' => 4.0, 'B' => -4 * M_SQRT1_2, 'C' => -4 * M_SQRT1_2],
        ];
        yield 'another stick of the same leg' => [
            'north 260 fall 0 / right 40 fall 0 / left 60 fall 0',
            ['A' => 6.0],
            ['A' => 6.0, 'B' => -6.0],
        ];
    }

    /** What is only to be added up comes to what the core reckons, whichever piece is cut and however it came out. */
    public function testTheFormOfTheNextCutIsExact(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $legs = [
            'north 60 fall 0 / right 40 fall 0 / left 60 fall 0 / right 40 fall 0',
            'north 60 fall 0 / right 45° 40 fall 0 / left 90° 40 fall 0 / right 45° 30 fall 0',
            'down 30 / north 260 fall 1/4 / right 70° 40 fall 1/4 / left 60 fall 1/4 / down 45° 14',
        ];
        $asked = 0;
        for ($i = 0; $i < 400; $i++) {
            $pieces = Fixtures::layout($legs[$i % 3], ['size' => '2'])->pieces;
            $cut = [];
            foreach ($pieces as $piece) {
                if ($random->getInt(0, 2) === 0) {
                    $cut[$piece->key] = $piece->cutMm + $random->getInt(-8, 8) * 0.8;
                }
            }
            $back = new MeasuredBack($pieces, $cut);
            $next = $pieces[$random->getInt(0, count($pieces) - 1)];
            $form = $back->whenCut($next->key);
            if ($form === null) {
                continue;
            }
            $off = [0.0, 0.03, $random->getInt(-40, 40) * 0.4][$random->getInt(0, 2)];
            $then = new MeasuredBack($pieces, $cut + [$next->key => $next->cutMm + $off]);
            $added = $back->lengths;
            foreach ($form['others'] as ['key' => $key, 'zero_mm' => $zero, 'per_mm' => $per]) {
                $added[$key] = $zero + (abs($off) > $form['within_mm'] ? $off * $per : 0.0);
            }
            $isMissed = ! $form['taken'] && abs($off) > $form['within_mm'];
            self::assertSame($isMissed, $then->missed->minus($back->missed)->length() > 0.01 && $isMissed);
            foreach ($pieces as $piece) {
                if ($piece->key !== $next->key) {
                    self::assertEqualsWithDelta($then->lengths[$piece->key], $added[$piece->key], 0.051);
                }
            }
            $asked++;
        }
        self::assertGreaterThan(150, $asked);
    }

    /**
     * @param array<string, float> $off
     * @param array<string, float> $expected
     */
    #[DataProvider('byHand')]
    public function testTheDifferenceIsTakenUpByThoseThatDependOnItAndNoOthers(
        string $legs,
        array $off,
        array $expected,
    ): void {
        $layout = Fixtures::layout($legs, ['size' => '2']);
        $changes = self::changes($layout, self::back($layout, $off));
        self::assertEqualsCanonicalizing(array_keys($expected), array_keys($changes));
        foreach ($expected as $letter => $by) {
            self::assertEqualsWithDelta($by, $changes[$letter], 1e-6, $letter);
        }
    }

    /** A piece that was cut long and trimmed says what its fittings are, not that the run ends elsewhere. */
    public function testWithinTheDoubtOfItsFittingsAPieceMovesNothing(): void
    {
        $layout = Fixtures::layout('north 60 fall 0 / right 40 fall 0 / left 60 fall 0 / right 40 fall 0');
        $piece = $layout->pieces[0];
        self::assertGreaterThan(1.5, $piece->doubtMm(), 'its bend is reckoned');
        $off = static fn (float $mm): MeasuredBack => new MeasuredBack(
            $layout->pieces,
            [$piece->key => $piece->cutMm + $mm],
        );
        $inside = $off($piece->doubtMm() - 0.1);
        self::assertSame([$piece->letter], array_keys(self::changes($layout, $inside)));
        self::assertSame(0.0, $inside->missed->length());
        self::assertCount(2, self::changes($layout, $off($piece->doubtMm() + 1.0)), 'more than they can be off');
    }

    public function testTheEndStaysWhereItIsOrItIsSaidByHowMuchItDoesNot(): void
    {
        $random = new Randomizer(new Mt19937(12));
        $held = $missed = 0;
        for ($i = 0; $i < 60; $i++) {
            $legs = array_map(
                static fn (int $n): string => ['right 90°', 'left 90°', 'right 45°', 'left 45°'][$random->getInt(0, 3)].
                    ' '.
                    $random->getInt(30, 70).
                    ' fall 1/4',
                range(1, $random->getInt(1, 5)),
            );
            $layout = Fixtures::layout('north 50 fall 1/4 / '.implode(' / ', $legs), ['size' => '2']);
            $cut = $layout->pieces[$random->getInt(0, count($layout->pieces) - 1)];
            $off = $random->getInt(-80, 80) / 10;
            $back = new MeasuredBack(self::exact($layout), [$cut->key => $cut->cutMm + $off]);
            $moved = new Vec3(0.0, 0.0, 0.0);
            $changed = 0;
            foreach ($layout->pieces as $piece) {
                $by = $back->lengths[$piece->key] - $piece->cutMm;
                $moved = $moved->plus($piece->direction->times($by));
                $changed += abs($by) > 1e-9 ? 1 : 0;
            }
            self::assertLessThan(
                1e-3,
                $moved->minus($back->missed)->length(),
                'what the pieces do to the end is what is said to be missed',
            );
            self::assertLessThanOrEqual(4, $changed, 'itself, and three at most');
            self::assertEqualsWithDelta($cut->cutMm + $off, $back->lengths[$cut->key], 1e-9);
            $back->missed->length() > 0.01 ? $missed++ : $held++;
        }
        self::assertGreaterThan(20, $held);
        self::assertGreaterThan(3, $missed);
    }

    /** @param array<string, float> $off by letter */
    private static function back(RunLayout $layout, array $off): MeasuredBack
    {
        $cut = [];
        foreach ($layout->pieces as $piece) {
            if (isset($off[$piece->letter])) {
                $cut[$piece->key] = $piece->cutMm + $off[$piece->letter];
            }
        }

        return new MeasuredBack(self::exact($layout), $cut);
    }

    /** @return list<Piece> as if all fittings had been measured */
    private static function exact(RunLayout $layout): array
    {
        return array_map(
            static fn (Piece $piece): Piece => new Piece(...['doubt' => null] + get_object_vars($piece)),
            $layout->pieces,
        );
    }

    /** @return array<string, float> by letter */
    private static function changes(RunLayout $layout, MeasuredBack $back): array
    {
        $by = array_combine(
            array_map(static fn (Piece $piece): string => $piece->letter, $layout->pieces),
            array_map(static fn (Piece $piece): float => $back->lengths[$piece->key] - $piece->cutMm, $layout->pieces),
        );

        return array_filter($by, static fn (float $change): bool => abs($change) > 1e-9);
    }
}
