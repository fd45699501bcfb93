<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use App\Models\Job;
use App\Models\OwnEntry;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Tests\FlatBlock;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

/** Whoever says which parts of a job a screen shows is sent those that differ from what they have, and nothing else. */
final class AnswersInPartsTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    private string $id;

    /** @var array<string, mixed> */
    private array $document;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->id, $this->document] = $this->demoJob();
    }

    public function testThePartsTogetherSayWhatTheWholeSays(): void
    {
        $whole = $this->getJson("/api/jobs/{$this->id}")
            ->assertOk()
            ->json('evaluation');
        $names = ['job', 'singles', 'places', 'fixtures', 'pipes', 'crossings', 'run:*'];
        $answer = $this->getJson("/api/jobs/{$this->id}?want=".implode(',', $names))->assertOk();
        self::assertShape('JobInParts', (string) $answer->getContent());
        $value = static fn (string $name): mixed => $answer->json('parts')[$name]['value'];
        foreach ($whole['runs'] as $run) {
            self::assertSame($run, $value("run:{$run['id']}"));
        }
        $network = $whole['network'];
        self::assertSame(
            [$network['places'], $network['fixtures'], $network['pipes'], $network['crossings']],
            array_map($value, ['places', 'fixtures', 'pipes', 'crossings']),
        );
        self::assertSame($whole['singles'], $value('singles'));
        self::assertSame($network['counts_flow'], $value('job')['counts_flow']);
        foreach (['units', 'rulebook', 'drawn_fill', 'saw_kerf', 'standing'] as $field) {
            self::assertSame($whole[$field], $value('job')[$field]);
        }
    }

    public function testAnEditOfOneRunSendsThatRunAlone(): void
    {
        $have = $this->hashes($this->getJson("/api/jobs/{$this->id}?want=job,run:*")->assertOk()) + ['run:*' => ''];
        $said = ['run' => 'clay-wash', 'text' => 'north 40 / right 20'];
        $read = $this->postJson('/api/evaluate', [
            'job' => $this->id,
            'document' => $this->document,
            'call_out' => $said,
            'want' => $have,
        ])->assertOk();
        self::assertShape('EvaluatedInParts', (string) $read->getContent());
        self::assertSame(['run:clay-wash'], array_keys($read->json('parts')));
        self::assertSame(
            [['clay-wash'], []],
            [array_column($read->json('changed.runs'), 'id'), $read->json('changed.set')],
        );
        self::assertCount(2, $read->json('phrases'));
        $kept = $this->putJson("/api/jobs/{$this->id}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => $this->changed($read),
            'want' => $this->hashes($read) + $have,
        ])->assertOk();
        self::assertShape('KeptInParts', (string) $kept->getContent());
        self::assertSame(
            [2, [], []],
            [$kept->json('revision'), $kept->json('parts'), $kept->json('changed.runs')],
            'it is kept as it was read',
        );
        $undone = $this->postJson("/api/jobs/{$this->id}/undo", [
            'from' => 2,
            'want' => $this->hashes($read) + $have,
        ])->assertOk();
        self::assertSame(['run:clay-wash'], array_keys($undone->json('parts')));
        self::assertSame($have['run:clay-wash'], $undone->json('parts')['run:clay-wash']['hash']);
    }

    public function testAChangeBySomebodyElseIsAnsweredInPartsToo(): void
    {
        $this->putJson("/api/jobs/{$this->id}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => ['place' => 'Elsewhere'] + $this->document,
        ])->assertOk();
        $stale = $this->putJson("/api/jobs/{$this->id}", [
            'from' => 1,
            'gesture' => 'h',
            'document' => $this->document,
            'want' => ['job' => ''],
        ])->assertStatus(409);
        self::assertShape(
            'JobInParts',
            json_encode($stale->json('current'), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
        );
        self::assertSame('Elsewhere', $stale->json('current.document.place'));
    }

    public function testWhatIsGoneIsSaidToBeGoneAndWhatIsNoPartIsRefused(): void
    {
        $answer = $this->getJson("/api/jobs/{$this->id}?want=run:chimney,cut:chimney")->assertOk();
        self::assertSame([null, null], array_column($answer->json('parts'), 'value'));
        foreach (['run', 'run:', 'run:A', 'weather', 'run:a,everything'] as $none) {
            $this->getJson("/api/jobs/{$this->id}?want={$none}")
                ->assertStatus(422)
                ->assertJsonPath('code', 'bad-input');
        }
        $this->postJson('/api/evaluate', ['document' => $this->document, 'want' => ['job' => 3]])->assertStatus(422);
    }

    public function testTheSticksOfARunComeWithATick(): void
    {
        $before = $this->getJson("/api/jobs/{$this->id}?want=cut:clay-wash")
            ->assertOk()
            ->json('parts')['cut:clay-wash'];
        self::assertSame(
            $this->postJson('/api/cut', [
                'job' => $this->id,
                'document' => $this->document,
                'run' => 'clay-wash',
            ])->json(),
            $before['value'],
        );
        $piece = $before['value']['pieces'][0];
        $this->happened($this->id, [
            ['kind' => 'cut', 'run' => 'clay-wash', 'piece' => $piece['key'], 'length_mm' => $piece['now']['mm']],
        ]);
        $kept = $this->postJson('/api/evaluate', [
            'job' => $this->id,
            'document' => $this->document,
            'want' => ['cut:clay-wash' => $before['hash']],
        ])->assertOk();
        self::assertTrue($kept->json('parts')['cut:clay-wash']['value']['pieces'][0]['cut']);
    }

    public function testAJobThatIsTooLargeForOneAnswerIsKeptAndAnsweredInParts(): void
    {
        $document = app(JobFile::class)->document(FlatBlock::of(19));
        $made = $this->postJson('/api/jobs', ['document' => $document])->assertCreated();
        [$id, $kept] = [
            $made->json('id'),
            ['place' => 'Elsewhere'] + (array) json_decode((string) json_encode($document), true),
        ];
        $this->putJson("/api/jobs/{$id}", ['from' => 1, 'gesture' => 'g', 'document' => $kept])
            ->assertOk()
            ->assertJsonPath('revision', 2);
        $this->getJson("/api/jobs/{$id}")
            ->assertStatus(422)
            ->assertJsonPath('errors.want.0', fn (string $why): bool => str_contains($why, 'which parts'));
        $this->putJson("/api/jobs/{$id}", ['from' => 1, 'gesture' => 'h', 'document' => $kept])->assertStatus(422);
        $this->putJson("/api/jobs/{$id}", [
            'from' => 1,
            'gesture' => 'h',
            'document' => $kept,
            'want' => ['job' => ''],
        ])->assertStatus(409);
        $parts = $this->getJson("/api/jobs/{$id}?want=job,run:f0x0")->assertOk();
        self::assertSame('f0x0', $parts->json('parts')['run:f0x0']['value']['id']);
        self::assertSame(
            'Elsewhere',
            $this->get("/api/jobs/{$id}/file")
                ->assertOk()
                ->json('place'),
        );
    }

    public function testWhatDoesNotFitIntoOneAnswerIsNamed(): void
    {
        $id = $this->postJson('/api/jobs', [
            'document' => app(JobFile::class)->document(FlatBlock::of(19)),
            'want' => [],
        ])
            ->assertCreated()
            ->json('id');
        $first = $this->getJson("/api/jobs/{$id}?want=job,run:*")->assertOk();
        self::assertLessThan(4_500_000, strlen((string) $first->getContent()));
        self::assertNotSame([], $first->json('later'));
        $rest = $this->postJson('/api/evaluate', [
            'job' => $id,
            'document' => $first->json('document'),
            'want' => array_fill_keys($first->json('later'), ''),
        ])->assertOk();
        self::assertNotSame([], $rest->json('parts'));
        self::assertSame([], array_intersect_key($first->json('parts'), $rest->json('parts')));
    }

    /** Somebody in two crews is answered with the numbers of the crew that the job belongs to, wherever they ask. */
    public function testTheNumbersAreThoseOfTheJobsCrew(): void
    {
        $second = Crew::query()->create(['name' => 'Second crew']);
        $this->lead->crews()->attach($second, ['role' => 'lead']);
        Job::query()
            ->whereKey($this->id)
            ->update(['crew_id' => $second->id]);
        $entry = ['table' => 'pvc-dwv-40', 'row' => 'long-sweep/2', 'field' => 'take_off_mm'];
        foreach (
            [[$this->lead->crews()->orderBy('crews.id')->firstOrFail()->id, 61.0], [$second->id, 93.0]] as [$crew, $value]
        ) {
            OwnEntry::query()->create([
                'crew_id' => $crew,
                'author_id' => $this->lead->id,
                'kind' => 'number',
                'place' => implode(' ', $entry),
                'entry' => json_encode($entry + ['value' => $value, 'source' => 'measured'], JSON_THROW_ON_ERROR),
            ]);
        }
        $of = ['job' => $this->id, 'document' => $this->document];
        $said = ['call_out' => ['run' => 'clay-wash', 'text' => 'down 30 / north 40 / right 30']];
        $want = ['want' => ['run:clay-wash' => '']];
        $read = $this->postJson('/api/evaluate', $of + $said + $want)->assertOk();
        $take = static fn (TestResponse $answer): mixed => self::rows(
            $answer->json('parts')['run:clay-wash']['value']['fittings'],
        )->firstWhere('row', 'long-sweep/2')['take_off']['mm'] ?? null;
        self::assertEqualsWithDelta(93.0, $take($read), 2.0);
        $document = $this->changed($read);
        $kept = $this->putJson(
            "/api/jobs/{$this->id}",
            ['from' => 1, 'gesture' => 'g', 'document' => $document] + $want,
        )->assertOk();
        self::assertSame($take($read), $take($kept));
        $cut = self::rows(
            $this->postJson('/api/cut', ['document' => $document, 'run' => 'clay-wash', 'job' => $this->id])->json(
                'pieces',
            ),
        )
            ->pluck('planned.mm', 'key')
            ->all();
        $pieces = self::rows($kept->json('parts')['run:clay-wash']['value']['pieces'])
            ->pluck('cut.mm', 'key')
            ->all();
        self::assertSame($pieces, $cut, 'what is cut is what is shown');
        $csv = $this->postJson('/api/csv', ['document' => $document, 'list' => 'cut', 'job' => $this->id])
            ->assertOk()
            ->getContent();
        self::assertStringContainsString((string) round(array_values($pieces)[0], 3), (string) $csv);
        $this->actingAs($this->stranger)
            ->postJson('/api/evaluate', $of + $want)
            ->assertNotFound();
    }

    /**
     * @param TestResponse<Response> $answer
     * @return array<string, string>
     */
    private function hashes(TestResponse $answer): array
    {
        return array_map(static fn (array $part): string => $part['hash'], $answer->json('parts'));
    }

    /**
     * @param TestResponse<Response> $read
     * @return array<string, mixed>
     */
    private function changed(TestResponse $read): array
    {
        $runs = array_column($this->document['runs'], null, 'id');
        foreach ($read->json('changed.runs') as $run) {
            $runs[$run['id']] = $run;
        }

        return ['runs' => array_values($runs)] + $this->document;
    }
}
