<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\Revision;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Tests\TwoCrews;

final class JobApiTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testNothingIsSeenWithoutSigningIn(): void
    {
        foreach (['/api/session', '/api/jobs', '/api/jobs/x', '/api/jobs/x/file'] as $path) {
            $this->getJson($path)->assertStatus(401);
        }
        $this->postJson('/api/evaluate', [])->assertStatus(401);
    }

    public function testAJobIsReachedByItsCrewOnly(): void
    {
        $id = $this->start()->json('id');
        $this->actingAs($this->stranger)->getJson('/api/jobs')->assertOk()->assertJsonCount(0, 'jobs');
        $this->getJson("/api/jobs/{$id}")->assertStatus(404);
        $this->getJson("/api/jobs/{$id}/file")->assertStatus(404);
        $this->putJson("/api/jobs/{$id}", ['from' => 1, 'gesture' => 'g', 'document' => self::demo()])->assertStatus(
            404,
        );
        $this->postJson("/api/jobs/{$id}/undo", ['from' => 1])->assertStatus(404);
        self::assertSame(1, Job::query()->findOrFail((string) $id)->head);
    }

    public function testAnEditIsARevisionAndUndoAndRedoGoThroughThem(): void
    {
        $job = $this->start();
        $second = $this->edit($job, 'one', 'right 20');
        $third = $this->edit($second, 'two', 'right 20 / left 30');
        self::assertSame(3, $third->json('revision'));
        $undone = $this->step($third, 'undo');
        self::assertSame('right 20', $this->callOut($undone));
        self::assertSame([true, true], [$undone->json('can_undo'), $undone->json('can_redo')]);
        $twice = $this->step($undone, 'undo');
        self::assertSame($this->callOut($job), $this->callOut($twice));
        self::assertFalse($twice->json('can_undo'));
        $redone = $this->step($this->step($twice, 'redo'), 'redo');
        self::assertSame('right 20 / left 2\' 6', $this->callOut($redone));
        self::assertFalse($redone->json('can_redo'));
        $branched = $this->edit($this->step($redone, 'undo'), 'three', 'right 9');
        self::assertFalse($branched->json('can_redo'), 'a new edit ends what could be redone');
        self::assertSame('right 20', $this->callOut($this->step($branched, 'undo')));
        self::assertSame(
            (int) $branched->json('revision') + 1,
            Revision::query()->where('job_id', $job->json('id'))->count(),
            'no revision is ever lost',
        );
    }

    public function testUndoWithNothingToUndoChangesNothing(): void
    {
        $job = $this->start();
        self::assertSame(1, $this->step($job, 'undo')->json('revision'));
        self::assertSame(1, $this->step($job, 'redo')->json('revision'));
    }

    public function testEditsOfOneGestureAreUndoneTogether(): void
    {
        $job = $this->start();
        $typed = $this->edit($this->edit($this->edit($job, 'g', 'right 2'), 'g', 'right 20'), 'g', 'right 20 / up 4');
        self::assertSame($this->callOut($job), $this->callOut($this->step($typed, 'undo')));
    }

    public function testAStaleEditIsRefusedWithTheNewestStateAndLosesNothing(): void
    {
        $job = $this->start();
        $this->edit($job, 'theirs', 'right 20');
        $response = $this->tryEdit($job, 'mine', 'right 33');
        $response->assertStatus(409);
        self::assertShape('Stale', (string) $response->getContent());
        self::assertSame('right 20', $response->json('current.evaluation.runs.1.call_out'));
        self::assertSame(2, self::job($job)->head);
        $this->postJson("/api/jobs/{$job->json('id')}/undo", ['from' => 1])->assertStatus(409);
        $copy = $this->postJson('/api/jobs', [
            'document' => ['name' => 'My copy'] + self::said(self::demo(), 'right 33'),
        ]);
        $copy->assertStatus(201);
        self::assertNotSame($job->json('id'), $copy->json('id'));
    }

    public function testMarksOnceUsedAreNotUsedAgainAfterUndo(): void
    {
        $job = $this->start();
        $with = $this->edit($job, 'a', 'down 9 1/2 / north 3\' 2 / right 26 / down 14 / ahead 20');
        $letter = collect((array) $with->json('evaluation.runs.1.pieces'))->last()['letter'];
        $again = $this->edit(
            $this->step($with, 'undo'),
            'b',
            'down 9 1/2 / north 3\' 2 / right 26 / down 14 / back 30 / left 40',
        );
        $letters = array_column((array) $again->json('evaluation.runs.1.pieces'), 'letter');
        self::assertNotContains($letter, $letters);
        self::assertSame($letters, array_unique($letters));
    }

    public function testExportAndImportGiveTheSameJob(): void
    {
        $job = $this->start();
        $file = $this->get("/api/jobs/{$job->json('id')}/file");
        $file->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="mill-row-pottery.fallbend.json"');
        $imported = $this->postJson('/api/jobs/import', ['text' => (string) $file->getContent()]);
        $imported->assertStatus(201);
        self::assertEquals($job->json('document'), $imported->json('document'));
        self::assertEquals($job->json('evaluation'), $imported->json('evaluation'));
    }

    public function testADamagedFileGetsAnErrorAtThePlaceAndChangesNothing(): void
    {
        $this->actingAs($this->lead);
        $bad = self::demo();
        $bad['runs'][0]['legs'][2]['length_mm'] = 'long';
        $this->postJson('/api/jobs/import', ['text' => json_encode($bad)])
            ->assertStatus(422)
            ->assertJsonPath('errors', ['runs.0.legs.2.length_mm' => ['must be a number']]);
        $this->postJson('/api/jobs/import', ['text' => substr((string) json_encode($bad), 0, 90)])
            ->assertStatus(422)
            ->assertJsonPath('code', 'bad-input');
        $this->postJson('/api/jobs/import', ['text' => '{"format":"other"}'])->assertStatus(422);
        $this->postJson('/api/jobs/import', ['text' => json_encode(['version' => 9] + self::demo())])
            ->assertStatus(422)
            ->assertJsonValidationErrors('version');
        $this->postJson('/api/jobs/import', [])->assertStatus(422);
        self::assertSame(0, Job::query()->count());
    }

    public function testEvaluatingKeepsNothing(): void
    {
        $job = $this->start();
        $response = $this->postJson('/api/evaluate', [
            'document' => $job->json('document'),
            'call_out' => ['run' => 'glaze', 'text' => ' left banana'],
        ]);
        $response->assertOk();
        self::assertShape('Evaluated', (string) $response->getContent());
        self::assertSame(6, $response->json('evaluation.phrases.0.unread.0.at'), 'spaces at the start count');
        self::assertSame(1, self::job($job)->head);
        $this->postJson('/api/evaluate', ['document' => ['format' => 'x']])->assertStatus(422);
        $this->postJson('/api/evaluate', ['document' => $job->json('document'), 'colour' => 1])
            ->assertStatus(422)
            ->assertJsonValidationErrors('colour');
    }

    public function testReckonersAnswerAsOnTheCommandLine(): void
    {
        $this->actingAs($this->lead);
        $this->postJson('/api/reckon/compound-bend', [
            'first_deg' => 45,
            'second_deg' => 45,
            'target_deg' => 60,
            'od_mm' => 88.9,
        ])
            ->assertOk()
            ->assertJsonPath('turn_deg', 60);
        $this->postJson('/api/reckon/fall', ['length_mm' => 1])
            ->assertStatus(422)
            ->assertJsonPath('error.field', 'length_mm');
        $this->postJson('/api/reckon/none', [])->assertStatus(404);
        $this->postJson('/api/lengths', ['texts' => ["4' 6 1/2", '1,384', '3'], 'units' => 'inch'])
            ->assertOk()
            ->assertJsonPath('lengths.0.read.mm', 1384.3)
            ->assertJsonPath('lengths.1.read', null)
            ->assertJsonPath('lengths.2.read.mm', 76.2);
        self::assertNotEmpty(
            $this->postJson('/api/lengths', ['texts' => ['1,384'], 'units' => 'mm'])->json('lengths.0.problem'),
        );
        $this->postJson('/api/lengths', ['texts' => [str_repeat('1', 61)], 'units' => 'mm'])
            ->assertOk()
            ->assertJsonPath('lengths.0.problem', 'must be at most 60 characters');
        $this->postJson('/api/lengths', ['texts' => array_fill(0, 201, '1'), 'units' => 'mm'])->assertStatus(422);
    }

    /** @return TestResponse<Response> */
    private function start(): TestResponse
    {
        $response = $this->actingAs($this->lead)->postJson('/api/jobs', ['document' => self::demo()]);
        $response->assertStatus(201);
        self::assertShape('Job', (string) $response->getContent());

        return $response;
    }

    /**
     * @param TestResponse<Response> $job
     * @return TestResponse<Response>
     */
    private function tryEdit(TestResponse $job, string $gesture, string $callOut): TestResponse
    {
        $document = $this->postJson('/api/evaluate', [
            'document' => $job->json('document'),
            'call_out' => ['run' => 'glaze', 'text' => $callOut],
        ])->json('document');

        return $this->putJson("/api/jobs/{$job->json('id')}", [
            'from' => $job->json('revision'),
            'gesture' => $gesture,
            'document' => $document,
        ]);
    }

    /**
     * @param TestResponse<Response> $job
     * @return TestResponse<Response>
     */
    private function edit(TestResponse $job, string $gesture, string $callOut): TestResponse
    {
        return $this->tryEdit($job, $gesture, $callOut)->assertOk();
    }

    /**
     * @param TestResponse<Response> $job
     * @return TestResponse<Response>
     */
    private function step(TestResponse $job, string $way): TestResponse
    {
        return $this->postJson("/api/jobs/{$job->json('id')}/{$way}", ['from' => $job->json('revision')])->assertOk();
    }

    /** @param TestResponse<Response> $job */
    private function callOut(TestResponse $job): string
    {
        return (string) $job->json('evaluation.runs.1.call_out');
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private static function said(array $document, string $unread): array
    {
        $document['runs'][1]['legs'] = [['id' => 'l1', 'unread' => $unread]];

        return $document;
    }

    /**
     * What is not there is not there, whatever is asked for in its place; nothing is told of how the application is
     * made.
     */
    public function testWhatIsNotThereSaysNoMoreThanThat(): void
    {
        $this->actingAs($this->lead);
        $asked = [
            ['GET', 'jobs/01ARZ3NDEKTSV4RRFFQ69G5FAV'],
            ['GET', 'jobs/nothing/file'],
            ['PUT', 'jobs/x'],
            ['DELETE', 'prices/abc'],
            ['DELETE', 'prices/999999'],
            ['DELETE', 'catalogue/own/abc'],
            ['DELETE', 'catalogue/own/999999'],
            ['GET', 'nothing'],
            ['DELETE', 'questions/none-of-mine'],
        ];
        foreach ($asked as [$method, $path]) {
            $answer = $this->json($method, "/api/{$path}", ['from' => 1, 'gesture' => 'g', 'document' => self::demo()]);
            self::assertContains($answer->status(), [204, 404, 405], "{$method} {$path}");
            self::assertDoesNotMatchRegularExpression(
                '/App|Model|Illuminate|\.php/',
                (string) $answer->getContent(),
                $path,
            );
        }
    }
}
