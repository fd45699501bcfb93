<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Smalot\PdfParser\Document;
use Smalot\PdfParser\Element;
use Smalot\PdfParser\Element\ElementArray;
use Smalot\PdfParser\Page;
use Smalot\PdfParser\Parser;
use Tests\TestCase;

/** What goes on paper is read by a reader that is not ours. */
final class PaperTest extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs(self::member(Crew::query()->create(['name' => 'Day crew']), 'lead'));
    }

    public function testTheTicketSaysEveryPieceAndDrawsTheRunFromThreeSides(): void
    {
        $pdf = $this->paper('/api/ticket', ['run' => 'clay-wash', 'on' => '2026-11-25']);
        $pages = $pdf->getPages();
        [$first, $sides] = [self::words($pages[0]), array_map(self::words(...), array_slice($pages, -3))];
        foreach (
            ['Cut ticket', 'Mill Row Pottery', 'Clay-wash sink to iron stack', '2026-11-25', 'kerf 1/8 in', 'PVC 2'] as $said
        ) {
            self::assertStringContainsString($said, $first);
        }
        $pieces = $this->postJson('/api/cut', ['document' => self::demo(), 'run' => 'clay-wash'])->json('pieces');
        self::assertCount(7, $pieces);
        foreach ($pieces as $piece) {
            $long = $piece['long'] === null
                ? "{$piece['now']['inch']} joint "
                : "{$piece['long']['inch']} cut long; comes to {$piece['now']['inch']} in ± ";
            self::assertStringContainsString(" {$piece['letter']}{$long}", $first);
            foreach ($sides as $side) {
                self::assertMatchesRegularExpression("/(^|\\s){$piece['letter']}(\\s|$)/", $side);
            }
        }
        $spared = 'To spare the trimming, measure one 2 long-sweep 90: 8 pieces get exact';
        self::assertStringContainsString($spared, $first);
        self::assertStringNotContainsString('on the ticket of', $first);
        self::assertStringContainsString('isometric', $sides[2]);
        self::assertMatchesRegularExpression('/1 to \d+\./', $sides[1]);
    }

    public function testWhatChangedSinceItWasPrintedStandsOnTheNextOne(): void
    {
        $document = ['version' => 3] + self::demo();
        $document['cutting']['printed'] = [
            [
                'run' => 'clay-wash',
                'on' => '2026-11-20',
                'pieces' => [
                    ['piece' => 'l2.1', 'letter' => 'B', 'length_mm' => 1000],
                    ['piece' => 'l9.1', 'letter' => 'Q', 'length_mm' => 300],
                ],
            ],
        ];
        $words = self::words(
            $this->paper('/api/ticket', ['run' => 'clay-wash', 'on' => '2026-11-25'], $document)->getPages()[0],
        );
        self::assertStringContainsString('other than on the ticket of 2026-11-20: it was 39 3/8 in', $words);
        self::assertStringContainsString('No longer cut: Q.', $words);
    }

    public function testAStopStandsOnItAsAHold(): void
    {
        $jobs = json_decode((string) file_get_contents(base_path('database/demo/mill-row-pottery.json')), true);
        $evaluated = $this->postJson('/api/evaluate', ['document' => $jobs])->json('evaluation.runs');
        $held = self::rows($evaluated)->first(
            fn (array $run): bool => in_array('stop', array_column($run['findings'], 'severity'), true) &&
                $run['pieces'] !== [],
        );
        self::assertNotNull($held, 'the demo has a stop');
        $stop = self::rows($held['findings'])->firstWhere('severity', 'stop');
        self::assertStringContainsString(
            "HOLD. leg {$stop['where']['leg']}: {$stop['title']}",
            self::words($this->paper('/api/ticket', ['run' => $held['id'], 'on' => '2026-11-25'])->getPages()[0]),
        );
    }

    public function testDrawingsFitTheirPageAtAUsualScale(): void
    {
        $pages = $this->paper('/api/drawing', ['run' => 'house', 'format' => 'pdf', 'paper' => 'A4'])->getPages();
        self::assertCount(3, $pages);
        foreach ($pages as $page) {
            $media = $page->get('MediaBox');
            self::assertInstanceOf(ElementArray::class, $media);
            $box = array_map(static fn (Element $side): float => (float) $side->getContent(), $media->getContent());
            self::assertEqualsWithDelta([841.89, 595.28], [$box[2], $box[3]], 0.1);
            foreach ($page->getDataTm() as [$at]) {
                self::assertTrue(
                    (float) $at[4] > 20 && (float) $at[4] < 822 && (float) $at[5] > 20 && (float) $at[5] < 575,
                    'no word off the page',
                );
            }
        }
    }

    public function testEveryAlphabetIsWrittenAndADayIsNeeded(): void
    {
        $document = self::demo();
        $document['name'] = 'Młyn Łódź Κεραμική';
        self::assertStringContainsString(
            'Młyn Łódź Κεραμική',
            self::words(
                $this->paper('/api/ticket', ['run' => 'clay-wash', 'on' => '2026-11-25'], $document)->getPages()[0],
            ),
        );
        $this->postJson('/api/ticket', ['document' => self::demo(), 'run' => 'clay-wash'])->assertStatus(422);
        $this->postJson('/api/ticket', [
            'document' => self::demo(),
            'run' => 'nothing',
            'on' => '2026-11-25',
        ])->assertStatus(422);
    }

    public function testANameThatIsWiderThanThePageGoesOnBelow(): void
    {
        $document = self::demo();
        $document['name'] = str_repeat('WM', 59);
        $page = $this->paper('/api/ticket', ['run' => 'clay-wash', 'on' => '2026-11-25'], $document)->getPages()[0];
        self::assertStringContainsString($document['name'], str_replace(' ', '', self::words($page)));
        $parts = array_filter(
            array_column($page->getDataTm(), 1),
            static fn (string $said): bool => str_contains($said, 'WMWM'),
        );
        self::assertGreaterThan(1, count($parts));
    }

    /**
     * @param array<string, mixed> $asked
     * @param array<string, mixed>|null $document
     */
    private function paper(string $path, array $asked, ?array $document = null): Document
    {
        $answer = $this->postJson($path, ['document' => $document ?? self::demo()] + $asked)->assertOk();
        self::assertSame('application/pdf', $answer->headers->get('Content-Type'));

        return (new Parser)->parseContent((string) $answer->getContent());
    }

    private static function words(Page $page): string
    {
        return (string) preg_replace('/\s+/u', ' ', $page->getText());
    }
}
