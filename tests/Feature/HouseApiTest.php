<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Runs said whole, and groups set in once more, as the interface asks for them. */
final class HouseApiTest extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs(self::member(Crew::query()->create(['name' => 'Day crew']), 'lead'));
    }

    public function testAWholeRunIsReadIntoTheJobAndJudgedWithIt(): void
    {
        $answer = $this->say('lav two: basin group z rim 31 / east 40 fall 1/4 / into stack 180')->assertOk();
        self::assertShape('Evaluated', (string) $answer->getContent());
        $run = self::rows($answer->json('document.runs'))->firstWhere('id', 'lav-two');
        self::assertSame(
            ['branch', 'stack', 4572],
            [$run['tie_in']['kind'], $run['tie_in']['branch']['run'], (int) round($run['tie_in']['branch']['at_mm'])],
        );
        self::assertSame(['lavatory', 'z'], [$run['outlet']['fixture']['kind'], $run['outlet']['fixture']['group']]);
        self::assertContains(
            'vent.byStack',
            array_column(self::rows($answer->json('evaluation.runs'))->firstWhere('id', 'lav-two')['findings'], 'rule'),
            'nothing vents it but the stack, which carries waste',
        );
        self::assertContains('lav-two', array_column($answer->json('evaluation.network.places'), 'run'));
    }

    public function testWhatOfABookIsJudgedIsAskedFor(): void
    {
        $rows = self::rows($this->getJson('/api/books/ipc-2021')->assertOk()->json('rows'))->keyBy('what');
        $circuit = $rows['circuit and loop vents, with relief'];
        self::assertSame(['judged', 'IPC 914'], [$circuit['state'], $circuit['clause']]);
        self::assertSame('not-judged', $rows['branch vents and headers joined']['state']);
        $this->getJson('/api/books/no-such')->assertNotFound();
    }

    public function testAnotherBookSaysWhatWouldBeOtherwise(): void
    {
        $answer = $this->postJson('/api/books', ['document' => self::demo(), 'rulebook' => 'irc-2021'])->assertOk();
        $turns = self::rows($answer->json('rows'))->where('there.rule', 'cleanout.turn');
        self::assertSame(['new'], $turns->pluck('change')->unique()->values()->all());
        self::assertSame('IRC P3005.2.4', $turns->first()['there']['source']['source']);
        $this->postJson('/api/books', ['document' => self::demo(), 'rulebook' => 'upc-2021'])
            ->assertOk()
            ->assertJsonPath('rows', []);
        $this->postJson('/api/books', ['document' => self::demo(), 'rulebook' => 'no-such'])
            ->assertStatus(422)
            ->assertJsonValidationErrors('rulebook');
    }

    public function testWhatIsNotUnderstoodIsMarkedAndTheJobStaysAsItWas(): void
    {
        $answer = $this->say('basin / west forty / into stack 80')->assertOk();
        self::assertCount(count(self::demo()['runs']), $answer->json('document.runs'));
        self::assertSame(13, $answer->json('evaluation.phrases.1.unread.0.at'));
    }

    public function testAGroupIsSetInOnceMoreWithAllThatHangsOnIt(): void
    {
        $answer = $this->repeat([
            'run' => 'flat-basin',
            'step_mm' => -700,
            'times' => 2,
            'mirrored' => true,
        ])->assertOk();
        self::assertShape('Evaluated', (string) $answer->getContent());
        $ids = array_column($answer->json('document.runs'), 'id');
        foreach (['flat-basin-2', 'basin-vent-2', 'flat-basin-3', 'basin-vent-3'] as $id) {
            self::assertContains($id, $ids);
        }
        self::assertCount(count(self::demo()['runs']) + 4, $ids);
        $of = static fn (string $id): array => self::rows($answer->json('document.runs'))->firstWhere('id', $id);
        self::assertEqualsWithDelta(
            $of('flat-basin')['tie_in']['branch']['at_mm'] - 1400,
            $of('flat-basin-3')['tie_in']['branch']['at_mm'],
            1e-6,
        );
        self::assertSame('east', $of('flat-basin-2')['legs'][0]['way'], 'the first goes west');
        self::assertSame('flat-basin-2', $of('basin-vent-2')['outlet']['branch']['run']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is asked, the field that is wrong */
    public static function wrong(): iterable
    {
        yield 'no such run' => [['run' => 'chimney', 'step_mm' => 10, 'times' => 1], 'run'];
        yield 'never' => [['run' => 'flat-basin', 'step_mm' => 10, 'times' => 0], 'times'];
        yield 'too often' => [['run' => 'flat-basin', 'step_mm' => 10, 'times' => 51], 'times'];
        yield 'no step' => [['run' => 'flat-basin', 'times' => 1], 'step_mm'];
        yield 'a step that is no number' => [['run' => 'flat-basin', 'step_mm' => 'far', 'times' => 1], 'step_mm'];
        yield 'something else' => [['run' => 'flat-basin', 'step_mm' => 10, 'times' => 1, 'colour' => 'red'], 'colour'];
    }

    /** @param array<string, mixed> $asked */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidWhereItStands(array $asked, string $field): void
    {
        $answer = $this->repeat($asked)->assertStatus(422);
        self::assertStringContainsString($field, (string) $answer->getContent());
    }

    public function testWaysBetweenTwoLegsComeWithTheLegsThatTheyMakeOfTheRun(): void
    {
        $answer = $this->postJson('/api/make-up', [
            'document' => self::demo(),
            'run' => 'glaze',
            'from_leg' => 'l1',
            'to' => ['leg' => 'l4'],
        ])->assertOk();
        self::assertShape('MadeUp', (string) $answer->getContent());
        self::assertNotSame([], $answer->json('solutions'));
        $document = self::demo();
        foreach ($document['runs'] as $i => $run) {
            if ($run['id'] === 'glaze') {
                $document['runs'][$i]['legs'] = $answer->json('solutions.0.legs_said');
                $document['runs'][$i]['next_leg'] = $answer->json('solutions.0.next_leg');
            }
        }
        $end = fn (array $document): array => self::rows(
            $this->postJson('/api/evaluate', ['document' => $document])
                ->assertOk()
                ->json('evaluation.runs'),
        )->firstWhere('id', 'glaze')['end'];
        foreach ($end(self::demo()) as $axis => $value) {
            self::assertEqualsWithDelta($value, $end($document)[$axis], 1.5, "the run ends where it ended: {$axis}");
        }
    }

    public function testTheOrderOfEveryRunOfTheDemoIsKnownOrWhatFreesIt(): void
    {
        foreach (array_column(self::demo()['runs'], 'id') as $run) {
            $answer = $this->postJson('/api/order', ['document' => self::demo(), 'run' => $run])->assertOk();
            self::assertShape('RunOrder', (string) json_encode($answer->json('order')));
            self::assertTrue($answer->json('order.goes') || $answer->json('order.left') !== [], $run);
            if ($answer->json('closing') !== null) {
                self::assertShape('RunClosing', (string) json_encode($answer->json('closing')));
                $closing[] = $run;
            }
        }
        self::assertContains('mop', $closing ?? [], 'between a socket and a riser that stand');
        self::assertNotContains('stack', $closing ?? [], 'a roof terminal does not stand before the stack');
        $this->postJson('/api/order', ['document' => self::demo(), 'run' => 'chimney'])->assertStatus(422);
    }

    public function testTheDayOfEveryRunOfTheDemoIsPlannedOrSaysWhatIsOpen(): void
    {
        $ask = fn (string $run, array $with = []): TestResponse => $this->postJson('/api/day', [
            'document' => self::demo(),
            'run' => $run,
            'people' => 1,
            'start' => '2026-11-25T08:00:00+01:00',
            ...$with,
        ]);
        $planned = [];
        foreach (array_column(self::demo()['runs'], 'id') as $run) {
            $answer = $ask($run)->assertOk();
            self::assertShape('RunDay', (string) $answer->getContent());
            $isOpen = $answer->json('unsettled') !== [] || ! $answer->json('goes');
            self::assertSame($isOpen, $answer->json('day') === null, $run);
            if (! $isOpen) {
                $planned[] = $run;
            }
        }
        self::assertContains('clay-wash', $planned);
        self::assertNotContains('shower', $planned, 'a joint of it has no method yet');
        $ask('chimney')->assertStatus(422)->assertJsonStructure(['errors' => ['run']]);
        $ask('clay-wash', ['people' => 3])->assertStatus(422)->assertJsonStructure(['errors' => ['people']]);
        $ask('clay-wash', ['start' => 'soon'])->assertStatus(422)->assertJsonStructure(['errors' => ['start']]);
        $ask('clay-wash', ['x' => 1])->assertStatus(422)->assertJsonStructure(['errors' => ['x']]);
    }

    public function testARealCutMovesWhatDependsOnItAndThePlanOfTheSticksWithIt(): void
    {
        $ask = fn (array $document): array => $this->postJson('/api/cut', [
            'document' => $document,
            'run' => 'clay-wash',
        ])
            ->assertOk()
            ->json();
        $before = $ask(self::demo());
        self::assertShape('CuttingReport', (string) json_encode($before));
        foreach ($before['groups'] as $group) {
            self::assertTrue($group['optimal'], $group['size']);
        }
        $arm = $before['pieces'][1];
        $after = $ask(
            [
                'version' => 3,
                'cutting' => [
                    'cut' => [
                        ['run' => 'clay-wash', 'piece' => $arm['key'], 'length_mm' => $arm['planned']['mm'] + 16],
                    ],
                ],
            ] + self::demo(),
        );
        self::assertTrue($after['pieces'][1]['cut']);
        $moved = array_filter(
            array_column($after['pieces'], 'moved_mm', 'letter'),
            static fn (float $mm): bool => abs($mm) > 0.01,
        );
        self::assertEqualsWithDelta(16.0, $moved['1B'], 1e-6);
        self::assertEqualsWithDelta(-16.0, $moved['1D'], 0.01, 'the next leg to the east takes it up');
        self::assertCount(2, $moved);
        $of = static fn (array $report): array => array_merge(
            ...array_map(
                static fn (array $group): array => array_merge(...array_column($group['sticks'], 'cuts')),
                $report['groups'],
            ),
        );
        self::assertCount(count($of($before)) - 1, $of($after), 'what is cut is not cut again');
        $d = array_values(
            array_filter(
                $of($after),
                static fn (array $cut): bool => $cut['run'] === 'clay-wash' && $cut['letter'] === '1D',
            ),
        )[0];
        // It is cut long by what the fittings at its ends may be off.
        self::assertEqualsWithDelta($before['pieces'][3]['long']['mm'] - 16, $d['length']['mm'], 0.01);
    }

    public function testABranchOnTheLegOfAPieceThatCameOutOtherwiseIsSaidToMove(): void
    {
        $ask = fn (float $off): array => array_column(
            $this->postJson('/api/cut', [
                'document' => [
                    'version' => 3,
                    'cutting' => [
                        'cut' => [
                            [
                                'run' => 'flat-shower',
                                'piece' => 'l1.1',
                                'length_mm' => $this->planned('flat-shower', 'l1.1') + $off,
                            ],
                        ],
                    ],
                ] + self::demo(),
                'run' => 'flat-shower',
            ])
                ->assertOk()
                ->json('findings'),
            'why',
            'rule',
        );
        self::assertStringContainsString('where Shower vent meets it', $ask(9.0)['cut.branchMoves']);
        self::assertStringContainsString('further upstream', $ask(-9.0)['cut.branchMoves']);
        self::assertArrayNotHasKey('cut.branchMoves', $ask(0.3));
    }

    private function planned(string $run, string $piece): float
    {
        return self::rows(
            $this->postJson('/api/cut', ['document' => self::demo(), 'run' => $run])->json('pieces'),
        )->firstWhere('key', $piece)['planned']['mm'];
    }

    public function testOffcutsInTheVanAreCutFromFirstWhereLengthCounts(): void
    {
        $document =
            [
                'cutting' => [
                    'objective' => 'length',
                    'stock' => [
                        ['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 6096],
                        ['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 5750, 'available' => 1],
                    ],
                ],
            ] + self::demo();
        $group = self::rows(
            $this->postJson('/api/cut', ['document' => $document, 'run' => 'clay-wash'])
                ->assertOk()
                ->json('groups'),
        )->firstWhere('size', '2');
        self::assertContains(
            5750.0,
            array_map(floatval(...), array_column(array_column($group['sticks'], 'length'), 'mm')),
        );
        $this->postJson('/api/cut', [
            'document' => ['cutting' => ['stock' => [['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => -4]]]] +
                self::demo(),
            'run' => 'clay-wash',
        ])->assertStatus(422);
    }

    public function testEveryRunOfTheDemoIsHungAndNoGapIsTooLong(): void
    {
        foreach (array_column(self::demo()['runs'], 'id') as $run) {
            $answer = $this->postJson('/api/hang', ['document' => self::demo(), 'run' => $run])->assertOk();
            self::assertShape('HangingReport', (string) json_encode($answer->json()));
            self::assertNotSame([], $answer->json('hangers'), $run);
            self::assertNotContains(true, array_column($answer->json('spans'), 'over'), $run);
        }
        $this->postJson('/api/hang', ['document' => self::demo(), 'run' => 'chimney'])->assertStatus(422);
    }

    public function testWhatIsWrongWithTheEndsIsSaid(): void
    {
        foreach (
            [
                ['from_leg' => 'l9', 'to' => ['leg' => 'l2']],
                ['from_leg' => 'l2', 'to' => ['leg' => 'l1']],
                ['to' => ['along_mm' => 5]],
                ['from_leg' => 'l1', 'to' => ['leg' => 'l2'], 'max_bends' => 7],
            ] as $asked
        ) {
            $this->postJson('/api/make-up', ['document' => self::demo(), 'run' => 'glaze'] + $asked)->assertStatus(422);
        }
    }

    public function testNobodyAsksWithoutSigningIn(): void
    {
        app('auth')->forgetGuards();
        $this->repeat(['run' => 'flat-basin', 'step_mm' => 10, 'times' => 1])->assertStatus(401);
    }

    /** @return TestResponse<Response> */
    private function say(string $text): TestResponse
    {
        return $this->postJson('/api/evaluate', [
            'document' => self::demo(),
            'call_out' => ['run' => '+', 'text' => $text],
        ]);
    }

    /**
     * @param array<string, mixed> $asked
     * @return TestResponse<Response>
     */
    private function repeat(array $asked): TestResponse
    {
        return $this->postJson('/api/repeat', ['document' => self::demo()] + $asked);
    }
}
