<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\MakeUp\WrapTemplate;
use FallBend\Core\Measure\Units;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;

final class WrapTemplateTest extends TestCase
{
    public function testGoesRoundEveryPipeOfTheCatalogueOnceInTrueMillimetres(): void
    {
        $catalogue = Catalogue::shipped();
        $count = 0;
        foreach ($catalogue->systemKeys() as $key) {
            $system = $catalogue->system($key);
            foreach ($system->sizes() as $size) {
                $pipe = $system->pipe($size);
                $template = WrapTemplate::of($pipe, 'C', '4', '6', 45.0, 0.25 * M_PI * $pipe->outsideMm, Units::Inch);
                self::assertEqualsWithDelta(M_PI * $pipe->outsideMm, $template->roundMm, 1e-9);
                $svg = new \DOMDocument;
                $svg->loadXML($template->svg());
                $root = $svg->documentElement;
                self::assertNotNull($root);
                // One unit of the drawing is one millimetre of paper, both ways.
                [, , $width, $height] = array_map(floatval(...), explode(' ', $root->getAttribute('viewBox')));
                self::assertEqualsWithDelta($width, (float) $root->getAttribute('width'), 1e-9);
                self::assertEqualsWithDelta($height, (float) $root->getAttribute('height'), 1e-9);
                self::assertStringEndsWith('mm', $root->getAttribute('width'));
                $at = [];
                foreach ($root->getElementsByTagName('line') as $line) {
                    $at[$line->getAttribute('class')][] = array_map(
                        static fn (string $name): float => (float) $line->getAttribute($name),
                        ['x1', 'y1', 'x2', 'y2'],
                    );
                }
                self::assertEqualsWithDelta(
                    M_PI * $pipe->outsideMm,
                    $at['lap'][0][0],
                    1e-3,
                    "{$key} {$size}: the lap begins where it has gone round",
                );
                self::assertEqualsWithDelta($at['lap'][0][0] / 4, $at['roll'][0][0], 1e-3, 'a quarter round');
                self::assertEqualsWithDelta(45.0, $height - $at['depth'][0][1], 1e-3, 'so far from the cut edge');
                self::assertSame(0.0, $at['witness'][0][0]);
                self::assertEqualsWithDelta(12.7, $at['tick'][1][0] - $at['tick'][0][0], 1e-3);
                $count++;
            }
        }
        self::assertGreaterThan(80, $count);
    }

    public function testARollTheOtherWayIsMeasuredFromTheOtherSide(): void
    {
        $pipe = Catalogue::shipped()->system('pvc-dwv-40')->pipe('3');
        $roll = static fn (float $mm): array => array_values(
            array_filter(
                WrapTemplate::of($pipe, 'C', '4', '6', 45.0, $mm, Units::Millimetre)->lines,
                static fn (array $line): bool => $line[0] === 'roll',
            ),
        );
        self::assertEqualsWithDelta(M_PI * $pipe->outsideMm - 40.0, $roll(-40.0)[0][1], 1e-9);
        self::assertEqualsWithDelta(40.0, $roll(40.0)[0][1], 1e-9);
        self::assertSame([], $roll(0.0), 'the next bend turns the same way: its line is this one');
    }

    public function testRowsFitThePaperAndLeaveNothingOut(): void
    {
        $pipe = Catalogue::shipped()->system('pvc-sewer-sdr35')->pipe('6');
        $template = WrapTemplate::of($pipe, 'A', '1', '2', 60.0, null, Units::Inch);
        $rows = $template->rows(255.0);
        self::assertSame(0.0, $rows[0][0]);
        self::assertEqualsWithDelta($template->roundMm + WrapTemplate::LAP_MM, $rows[count($rows) - 1][1], 1e-9);
        foreach ($rows as $i => [$from, $to]) {
            self::assertLessThanOrEqual(255.0 + 1e-9, $to - $from);
            self::assertTrue($i === 0 || $rows[$i - 1][1] === $from, 'edge to edge');
        }
    }

    public function testAPieceOfARunHasItsOwnJointsDepthsAndRoll(): void
    {
        $layout = Fixtures::layout('north 40 fall 1/4 / right 45° 30 fall 1/4 / down 45° 30 / on 20');
        $piece = $layout->pieces[1];
        $template = WrapTemplate::ofPiece($layout, $piece->key, Units::Inch);
        self::assertNotNull($template);
        $words = implode("\n", array_column($template->texts, 3));
        self::assertStringContainsString("\n{$piece->letter}\n", $words);
        $fitting = array_values(
            array_filter($layout->fittings, static fn ($one): bool => $one->leg === $piece->leg + 1),
        )[0];
        $roll = array_values(array_filter($template->lines, static fn (array $line): bool => $line[0] === 'roll'))[0];
        self::assertEqualsWithDelta(fmod($fitting->markMm + $template->roundMm, $template->roundMm), $roll[1], 1e-9);
        self::assertNull(WrapTemplate::ofPiece($layout, 'no-such-piece', Units::Inch));
    }
}
