<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Drawing;

use FallBend\Core\Drawing\LineDrawing;
use FallBend\Core\Drawing\RunViews;
use FallBend\Core\Drawing\SvgWriter;
use FallBend\Core\Drawing\TubeMesh;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DrawingTest extends TestCase
{
    private const RUN = 'north 60 fall 1/4 / right 45° 40 fall 1/4 / down 30 / east 50 fall 1/4';

    /**
     * @return iterable<string, array{string, callable(Vec3): float}> view, how long a piece along a direction is drawn,
     *     of its length
     */
    public static function views(): iterable
    {
        yield 'from above' => ['plan', static fn (Vec3 $u): float => hypot($u->x, $u->y)];
        yield 'along it' => ['section', static fn (Vec3 $u): float => 1.0];
        yield 'isometric' => [
            'isometric',
            static fn (Vec3 $u): float => hypot((($u->x + $u->y) * sqrt(3)) / 2, ($u->y - $u->x) / 2 + $u->z),
        ];
    }

    /** @param callable(Vec3): float $share */
    #[DataProvider('views')]
    public function testEveryPieceIsDrawnAsLongAsItLooks(string $view, callable $share): void
    {
        $layout = Fixtures::layout(self::RUN, ['size' => '3']);
        $drawing = (new RunViews($layout))->drawing($view);
        $axes = array_values(array_filter($drawing->lines, static fn (array $line): bool => $line[0] === 'PIPE-CENTRE'));
        self::assertCount(count($layout->pieces), $axes);
        foreach ($layout->pieces as $i => $piece) {
            [, $ax, $ay, $bx, $by] = $axes[$i];
            self::assertEqualsWithDelta(
                $piece->cutMm * $share($piece->direction),
                hypot($bx - $ax, $by - $ay),
                1e-6,
                $piece->letter,
            );
        }
        self::assertCount(
            count($layout->joints),
            array_filter($drawing->circles, static fn (array $circle): bool => $circle[0] === 'JOINT'),
        );
        self::assertSame(count($layout->pieces) + count($layout->joints), count($drawing->words));
    }

    public function testAlongItsLengthPiecesAndFittingsFollowOneAnother(): void
    {
        $layout = Fixtures::layout(self::RUN, ['size' => '3']);
        $drawing = (new RunViews($layout))->drawing('section');
        $axes = array_values(array_filter($drawing->lines, static fn (array $line): bool => $line[0] === 'PIPE-CENTRE'));
        foreach (array_slice($axes, 1) as $i => $axis) {
            self::assertGreaterThanOrEqual($axes[$i][3] - 1e-6, $axis[1], 'never back');
            self::assertLessThanOrEqual($axes[$i][4] + 1e-6, $axis[2], 'never up');
        }
        self::assertEqualsWithDelta($layout->end->z, $axes[count($axes) - 1][4], 1e-6);
    }

    public function testAnSvgParsesWhateverStandsInItsTitle(): void
    {
        $drawing = (new RunViews(Fixtures::layout(self::RUN, ['size' => '3'])))->drawing('plan');
        foreach (["bell\u{7} and \u{1}", "a\u{0}b", "<b> & \"c\" \u{1f}", "\u{fffe}", "\u{85} next line"] as $title) {
            $read = simplexml_load_string(SvgWriter::write($drawing, $title), options: LIBXML_NOERROR);
            self::assertNotFalse($read, json_encode($title, JSON_THROW_ON_ERROR));
            self::assertSame(
                mb_strlen($title),
                mb_strlen((string) $read->title),
                'each character that has no place is replaced by one that has',
            );
        }
    }

    public function testATubeIsClosedAllRoundAndItsTrianglesLookOutward(): void
    {
        $points = array_map(
            static fn (int $i): Vec3 => new Vec3(100 * cos($i / 5), 100 * sin($i / 5), 8.0 * $i),
            range(0, 10),
        );
        $mesh = new TubeMesh($points, 12.0);
        $edges = [];
        foreach (array_chunk($mesh->triangles, 3) as [$a, $b, $c]) {
            $normal = $mesh->corners[$b]
                ->minus($mesh->corners[$a])
                ->cross($mesh->corners[$c]->minus($mesh->corners[$a]));
            self::assertGreaterThan(
                0.0,
                $normal->dot($mesh->normals[$a]),
                'seen from outside it turns against the clock',
            );
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $edges["{$from} {$to}"] = ($edges["{$from} {$to}"] ?? 0) + 1;
            }
        }
        $open = array_filter(
            array_keys($edges),
            static fn (string $edge): bool => ! isset($edges[implode(' ', array_reverse(explode(' ', $edge)))]),
        );
        self::assertCount(40, $open, 'only the two ends are open');
        self::assertSame([1], array_values(array_unique($edges)));
        foreach ($mesh->corners as $n => $corner) {
            self::assertEqualsWithDelta(12.0, $corner->minus($points[intdiv($n, 20)])->length(), 1e-9);
        }
    }

    public function testWhatAWordSaysIsWrittenSoThatNothingBreaksIt(): void
    {
        $drawing = new LineDrawing;
        $drawing->word('MARK', [0.0, 0.0], 10.0, '<A> & "B"');
        $drawing->line('PIPE-CENTRE', [0.0, 0.0], [100.0, 50.0]);
        $svg = simplexml_load_string(SvgWriter::write($drawing, 'a < b'));
        self::assertNotFalse($svg);
        self::assertSame('a < b', (string) $svg->title);
        self::assertSame('<A> & "B"', (string) ($svg->xpath('//*[local-name()="text"]')[0] ?? ''));
        self::assertStringEndsWith('mm', (string) $svg['width']);
    }
}
