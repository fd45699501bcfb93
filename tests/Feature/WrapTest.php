<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use App\Print\WrapPdf;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\MakeUp\WrapTemplate;
use FallBend\Core\Measure\Units;
use Illuminate\Foundation\Testing\RefreshDatabase;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class WrapTest extends TestCase
{
    use RefreshDatabase;

    /** @return iterable<string, array{string, string, string}> system, size, paper */
    public static function pipes(): iterable
    {
        yield 'small' => ['pvc-dwv-40', '1-1/2', 'A4'];
        yield 'wider than the paper' => ['pvc-sewer-sdr35', '4', 'LETTER'];
        yield 'in millimetres' => ['pvcu-soil', '110', 'A4'];
    }

    /** What the PDF says of itself, read from its own page and its own lines: 72 points are 25.4 mm. */
    #[DataProvider('pipes')]
    public function testThePdfIsTrueInItsOwnUnits(string $system, string $size, string $paper): void
    {
        $pipe = Catalogue::shipped()->system($system)->pipe($size);
        $template = WrapTemplate::of($pipe, 'C', '4', '6', 45.0, 30.0, Units::Inch);
        $pdf = WrapPdf::print([$template], $paper);
        self::assertSame('%PDF', substr($pdf, 0, 4));
        self::assertStringContainsString('/PrintScaling /None', $pdf);
        preg_match('/\/MediaBox \[0\.0+ 0\.0+ ([\d.]+) ([\d.]+)\]/', $pdf, $box);
        self::assertEqualsWithDelta(
            $paper === 'A4' ? 297.0 : 279.4,
            ((float) ($box[1] ?? 0) / 72) * 25.4,
            0.2,
            'laid across',
        );
        $mm = [];
        foreach (self::streams($pdf) as $stream) {
            preg_match_all('/([\d.-]+) ([\d.-]+) m\s+([\d.-]+) ([\d.-]+) l\s+S/', $stream, $found, PREG_SET_ORDER);
            foreach ($found as [, $x1, $y1, $x2, $y2]) {
                $mm[] = array_map(static fn (string $points): float => ((float) $points / 72) * 25.4, [
                    $x1,
                    $y1,
                    $x2,
                    $y2,
                ]);
            }
        }
        $lengths = array_map(static fn (array $l): float => hypot($l[2] - $l[0], $l[3] - $l[1]), $mm);
        self::assertContains(
            round(M_PI * $pipe->outsideMm, 1),
            array_map(static fn (float $one): float => round($one, 1), $lengths),
            'the depth line goes round once',
        );
        self::assertContains(
            round($template->heightMm, 1),
            array_map(static fn (float $one): float => round($one, 1), $lengths),
        );
        $uprights = array_values(
            array_filter(
                $mm,
                static fn (array $l): bool => abs($l[0] - $l[2]) < 1e-6 &&
                    abs(abs($l[1] - $l[3]) - $template->heightMm) < 0.01,
            ),
        );
        $from = min([INF, ...array_column($uprights, 0)]);
        self::assertContains(
            30.0,
            array_map(static fn (array $l): float => round($l[0] - $from, 1), $uprights),
            'the roll mark',
        );
    }

    public function testStripsOfARunAreGivenAsAFile(): void
    {
        $this->actingAs(self::member(Crew::query()->create(['name' => 'Day crew']), 'lead'));
        $pdf = $this->postJson('/api/wrap', [
            'document' => self::demo(),
            'run' => 'glaze',
            'format' => 'pdf',
        ])->assertOk();
        self::assertSame('application/pdf', $pdf->headers->get('Content-Type'));
        self::assertGreaterThanOrEqual(
            2,
            substr_count((string) $pdf->getContent(), '/Type /Page'),
            'four strips take more than one page',
        );
        $pieces = $this->postJson('/api/evaluate', ['document' => self::demo()])->json('evaluation.runs.1.pieces');
        $svg = $this->postJson('/api/wrap', [
            'document' => self::demo(),
            'run' => 'glaze',
            'format' => 'svg',
            'piece' => $pieces[1]['key'],
        ])->assertOk();
        self::assertStringContainsString('in to here', (string) $svg->getContent());
        $this->postJson('/api/wrap', [
            'document' => self::demo(),
            'run' => 'glaze',
            'format' => 'svg',
            'piece' => 'none',
        ])->assertStatus(422);
        $this->postJson('/api/wrap', ['document' => self::demo(), 'run' => 'glaze', 'format' => 'dxf'])->assertStatus(
            422,
        );
    }

    /** @return list<string> */
    private static function streams(string $pdf): array
    {
        preg_match_all('/stream\r?\n(.*?)\r?\nendstream/s', $pdf, $found);

        return array_values(
            array_filter(array_map(static fn (string $packed): string => (string) @gzuncompress($packed), $found[1])),
        );
    }
}
