<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Edit;
use App\Actions\KeepRevision;
use App\Models\Job;
use App\Models\Revision;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\JobFile;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Tests\TwoCrews;

/** Nothing is stored that cannot be read again; and where something is there all the same, it hurts nobody else. */
final class ReadableTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    /** By plain typing: a rolled pair, kept after a pause, then taken back and said otherwise. */
    public function testAPairThatIsTakenBackLeavesNoMarkTwice(): void
    {
        $job = $this->start(self::demo());
        $anchor = $job->json('document');
        $text = $job->json('evaluation.runs.0.call_out');
        $said = fn (string $more): TestResponse => $this->postJson('/api/evaluate', [
            'document' => $anchor,
            'call_out' => ['run' => $anchor['runs'][0]['id'], 'text' => $text.$more],
        ])->assertOk();
        $first = $this->keep($job, $said(' / left 70° 24')->json('document'), 'typing')->assertOk();
        $second = $this->keep($first, $said(' / left 24')->json('document'), 'typing')->assertOk();
        self::assertMarksStandOnce($second->json('document'));
        $this->getJson("/api/jobs/{$job->json('id')}")->assertOk();
        $this->getJson('/api/jobs')->assertOk()->assertJsonCount(1, 'jobs');
        $this->keep($second, $second->json('document'), 'more')->assertOk();
    }

    /**
     * @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>}> documents that the
     *     application once kept and could not read
     */
    public static function hostileFiles(): iterable
    {
        $marks = static fn (array $more): callable => static function (array $document) use ($more): array {
            $document['runs'][0]['marks'] = $more;

            return $document;
        };
        yield 'the last number of a joint is used up' => [$marks(['next_joint' => 1_000_001])];
        yield 'the last letter is used up' => [$marks(['next_piece' => 400_000])];
        yield 'leg ids that come next' => [
            static function (array $document): array {
                $document['runs'][0]['legs'] = [['id' => 'l9', 'way' => 'on', 'length_mm' => 500]];
                $document['runs'][0]['next_leg'] = 9;

                return self::alone($document);
            },
        ];
        yield 'overrides nested 60 deep' => [
            static function (array $document): array {
                $deep = 'bottom';
                for ($i = 0; $i < 60; $i++) {
                    $deep = ['x' => $deep];
                }
                $row = [
                    'id' => 'own/deep',
                    'size' => '2',
                    'name' => 'x',
                    'maker_name' => 'x',
                    'stop_mm' => 3,
                    'source' => 'x',
                    'deep' => $deep,
                ];
                $document['overrides'] = ['rows' => [['table' => 'pvc-dwv-40', 'group' => 'couplings', 'row' => $row]]];

                return $document;
            },
        ];
        yield 'thirty legs of a kilometre' => [
            static function (array $document): array {
                $legs = [];
                for ($i = 1; $i <= 30; $i++) {
                    $legs[] = ['id' => "l{$i}", 'way' => $i % 2 === 0 ? 'left' : 'right', 'length_mm' => 1_000_000];
                }
                $document['runs'][0]['legs'] = $legs;
                $document['runs'][0]['next_leg'] = 31;

                return self::alone($document);
            },
        ];
        yield 'a mark of a name that no file can hold' => [$marks(['pieces' => ["\0l1.1" => 'A']])];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $made */
    #[DataProvider('hostileFiles')]
    public function testAFileIsRefusedWholeOrCanBeOpened(callable $made): void
    {
        $this->start(self::demo());
        $answer = $this->postJson('/api/jobs/import', [
            'text' => json_encode($made(self::demo()), JSON_THROW_ON_ERROR),
        ]);
        self::assertContains($answer->getStatusCode(), [201, 422], (string) $answer->getContent());
        if ($answer->getStatusCode() === 422) {
            self::assertSame(1, Job::query()->count(), 'what is refused is not kept');
        } else {
            $id = $answer->json('id');
            $text = $answer->json('evaluation.runs.0.call_out').' / left 20';
            $said = $this->postJson('/api/evaluate', [
                'document' => $answer->json('document'),
                'call_out' => ['run' => $answer->json('document.runs.0.id'), 'text' => $text],
            ]);
            $kept = $this->keep($answer, $said->json('document'), 'more');
            self::assertSame(200, $kept->getStatusCode(), (string) $kept->getContent());
            $this->getJson("/api/jobs/{$id}")->assertOk();
        }
        $this->getJson('/api/jobs')->assertOk();
    }

    public function testWhatCannotBeReadBackIsNotKept(): void
    {
        $job = $this->start(self::demo());
        $keep = app(KeepRevision::class);
        $plan = app(JobFile::class)->read(self::demo());
        try {
            // The obstacles of the demo stand on runs that are gone then.
            $edit = new Edit([], $plan->withRuns([]), 1, 'g');
            $keep->edit(self::job($job), $this->lead, $edit);
            self::fail('was kept');
        } catch (BadInput) {
            self::assertSame(1, Revision::query()->count());
        }
    }

    public function testAJobThatCannotBeReadHurtsNoOther(): void
    {
        [$whole, $broken] = [$this->start(self::demo()), $this->start(['name' => 'Broken'] + self::demo())];
        $broken = $this->keep($broken, ['place' => 'Elsewhere'] + $broken->json('document'), 'g')->assertOk();
        $id = $broken->json('id');
        $this->breakLedger($id, 2);

        $opened = $this->getJson("/api/jobs/{$id}")->assertStatus(422);
        self::assertShape('Unreadable', (string) $opened->getContent());
        self::assertStringContainsString('must be a letter that no other piece has', (string) $opened->json('message'));
        self::assertSame(1, $opened->json('readable.revision'));
        $board = $this->getJson('/api/jobs')->assertOk();
        self::assertShape('BoardPage', (string) $board->getContent());
        $rows = collect((array) $board->json('jobs'))->keyBy('id');
        self::assertStringContainsString('letter', $rows[$id]['unreadable']);
        self::assertSame('Broken', $rows[$id]['name']);
        self::assertNull($rows[$whole->json('id')]['unreadable']);
        $this->getJson("/api/jobs/{$whole->json('id')}")->assertOk();
        self::assertSame(
            Revision::query()->where('job_id', $id)->where('number', 2)->firstOrFail()->text(),
            $this->get("/api/jobs/{$id}/raw")
                ->assertOk()
                ->getContent(),
        );
        $this->postJson("/api/jobs/{$id}/undo", ['from' => 2])
            ->assertStatus(422)
            ->assertJsonPath('code', 'unreadable');
        $this->actingAs($this->stranger)
            ->get("/api/jobs/{$id}/raw")
            ->assertStatus(404);
        $this->postJson("/api/jobs/{$id}/back", ['from' => 2, 'to' => 1])->assertStatus(404);

        $back = $this->actingAs($this->lead)
            ->postJson("/api/jobs/{$id}/back", ['from' => 2, 'to' => 1])
            ->assertOk();
        self::assertSame([3, self::demo()['place']], [$back->json('revision'), $back->json('document.place')]);
        self::assertMarksStandOnce($back->json('document'));
        self::assertSame(3, Revision::query()->where('job_id', $id)->count(), 'nothing is deleted');
        $this->getJson("/api/jobs/{$id}")->assertOk();
        self::assertNull(Job::query()->findOrFail((string) $id)->unreadable);
    }

    public function testCheckReportsAndMends(): void
    {
        $job = $this->start(self::demo());
        $id = $job->json('id');
        self::assertSame(0, Artisan::call('jobs:check'));
        self::assertStringContainsString('1 jobs, 1 revisions read, 0 cannot be read.', Artisan::output());
        [$cut, $other] = $this->breakLedger($id, 1);
        $before = Revision::query()->where('job_id', $id)->firstOrFail()->text();
        self::assertSame(1, Artisan::call('jobs:check'));
        self::assertStringContainsString('revision 1: runs.0.marks.pieces', Artisan::output());
        self::assertSame(
            $before,
            Revision::query()->where('job_id', $id)->firstOrFail()->text(),
            'without --mend nothing is changed',
        );
        self::assertSame(0, Artisan::call('jobs:check', ['--mend' => true]));
        self::assertStringContainsString('mended: ', Artisan::output());
        $mended = $this->getJson("/api/jobs/{$id}")->assertOk();
        self::assertMarksStandOnce($mended->json('document'));
        $letters = $mended->json('document.runs.0.marks.pieces');
        self::assertSame('A', $letters[$cut], 'what is cut keeps the letter that stands on it');
        self::assertNotSame('A', $letters[$other]);
    }

    public function testWhatIsWrongBesideTheLedgerIsNotMended(): void
    {
        $job = $this->start(self::demo());
        Revision::query()
            ->where('job_id', $job->json('id'))
            ->update(['document' => '{"format":"fall-bend-job","version":3}']);
        self::assertSame(1, Artisan::call('jobs:check', ['--mend' => true]));
        self::assertStringContainsString('not mended', Artisan::output());
        $this->getJson("/api/jobs/{$job->json('id')}")
            ->assertStatus(422)
            ->assertJsonPath('readable', null);
    }

    /**
     * Gives two pieces of the first run the letter A, the second of them cut.
     *
     * @return array{string, string} key of the piece that is cut, and of the other
     */
    private function breakLedger(string $id, int $number): array
    {
        $revision = Revision::query()->where('job_id', $id)->where('number', $number)->firstOrFail();
        $document = json_decode($revision->text(), true, 64, JSON_THROW_ON_ERROR);
        [$first, $second] = array_map(strval(...), array_keys($document['runs'][0]['marks']['pieces']));
        $document['runs'][0]['marks']['pieces'][$first] = 'A';
        $document['runs'][0]['marks']['pieces'][$second] = 'A';
        $run = $document['runs'][0]['id'];
        $this->happened($id, [['kind' => 'cut', 'run' => $run, 'piece' => $second, 'length_mm' => 100]]);
        Revision::query()
            ->where('id', $revision->id)
            ->update(['document' => json_encode($document, JSON_THROW_ON_ERROR)]);

        return [$second, $first];
    }

    /**
     * The first run by itself: nothing else of the demo stands on it.
     *
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private static function alone(array $document): array
    {
        $run = array_diff_key($document['runs'][0], ['marks' => true]);
        $run['outlet'] = ['what' => 'sink', 'kind' => 'socket'];
        $run['tie_in'] = ['what' => 'stub', 'kind' => 'socket'];

        return array_intersect_key($document, [
            'format' => 1,
            'version' => 1,
            'name' => 1,
            'place' => 1,
            'units' => 1,
            'rulebook' => 1,
        ]) + ['runs' => [$run]];
    }

    /** @param array<string, mixed> $document */
    private static function assertMarksStandOnce(array $document): void
    {
        foreach ($document['runs'] as $run) {
            foreach (['pieces', 'joints'] as $kind) {
                $marks = array_values((array) ($run['marks'][$kind] ?? []));
                self::assertSame($marks, array_values(array_unique($marks)), "{$run['id']}: {$kind}");
            }
        }
    }

    /**
     * @param array<string, mixed> $document
     * @return TestResponse<Response>
     */
    private function start(array $document): TestResponse
    {
        return $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => $document])
            ->assertStatus(201);
    }

    /**
     * @param TestResponse<Response> $job
     * @param array<string, mixed> $document
     * @return TestResponse<Response>
     */
    private function keep(TestResponse $job, array $document, string $gesture): TestResponse
    {
        return $this->putJson("/api/jobs/{$job->json('id')}", [
            'from' => $job->json('revision'),
            'gesture' => $gesture,
            'document' => $document,
        ]);
    }
}
