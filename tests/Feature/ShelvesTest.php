<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\PutAway;
use App\Models\Crew;
use App\Models\Job;
use App\Models\Share;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Tests\TestCase;
use Tests\TwoCrews;

/** Jobs are archived, deleted, put back and copied; the board finds them by where they stand and who worked on them. */
final class ShelvesTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testAJobLeavesTheBoardAndComesBack(): void
    {
        $id = $this->started('Weir Cottage');
        $keptAt = Job::query()->findOrFail($id)->updated_at;
        $this->postJson("/api/jobs/{$id}/archive")->assertNoContent();
        self::assertSame([[], ['Weir Cottage'], []], $this->shelves());
        $this->getJson("/api/jobs/{$id}")->assertOk();

        $this->deleteJson("/api/jobs/{$id}")->assertNoContent();
        // No answer came: it is asked for again.
        $this->deleteJson("/api/jobs/{$id}")->assertNoContent();
        self::assertSame([[], [], ['Weir Cottage']], $this->shelves());
        $row = $this->getJson('/api/jobs?shelf=deleted')->json('jobs.0');
        self::assertSame('lead', $row['deleted_by']);
        self::assertEqualsWithDelta(
            now()->addDays(30)->getTimestamp(),
            Carbon::parse($row['gone_on'])->getTimestamp(),
            60,
        );

        $this->postJson("/api/jobs/{$id}/put-back")->assertNoContent();
        self::assertSame([['Weir Cottage'], [], []], $this->shelves());
        self::assertEquals($keptAt, Job::query()->findOrFail($id)->updated_at, 'nothing of the job was changed');
    }

    public function testADeletedJobIsNeitherReadNorChanged(): void
    {
        $id = $this->started('Weir Cottage');
        $link = (string) $this->postJson("/api/jobs/{$id}/shares", ['for' => 'Inspector', 'days' => 3])->json('link');
        $shared = '/api/shared/'.basename($link);
        $this->getJson($shared)->assertOk();
        $document = $this->getJson("/api/jobs/{$id}")->json('document');
        $this->deleteJson("/api/jobs/{$id}")->assertNoContent();
        $said = '“Weir Cottage” was deleted by lead. It can be put back from the board, under Deleted.';
        $this->getJson("/api/jobs/{$id}")->assertStatus(410)->assertJsonPath('message', $said);
        $this->putJson("/api/jobs/{$id}", ['from' => 1, 'gesture' => 'g', 'document' => $document])
            ->assertStatus(410)
            ->assertJsonPath('code', 'deleted');
        $this->postJson("/api/jobs/{$id}/log", ['device' => 'Phone', 'entries' => []])->assertStatus(410);
        $this->getJson($shared)->assertNotFound();
        $this->postJson("/api/jobs/{$id}/put-back")->assertNoContent();
        $this->getJson($shared)->assertOk();
    }

    public function testADeletedJobIsGoneForGoodAfterThirtyDays(): void
    {
        [$id, $other] = [$this->started('Weir Cottage'), $this->started('Mill Row')];
        $this->postJson("/api/jobs/{$id}/shares", ['for' => 'Inspector', 'days' => 3])->assertCreated();
        $this->deleteJson("/api/jobs/{$id}")->assertNoContent();
        $this->travel(PutAway::DAYS - 1)->days();
        Artisan::call('jobs:forget-deleted');
        self::assertSame([['Mill Row'], [], ['Weir Cottage']], $this->shelves());
        $this->travel(1)->days();
        $this->travel(1)->minutes();
        self::assertSame([['Mill Row'], [], []], $this->shelves());
        $this->postJson("/api/jobs/{$id}/put-back")->assertStatus(410);
        $this->deleteJson("/api/jobs/{$other}")->assertNoContent();
        self::assertSame([$other], Job::query()->pluck('id')->all(), 'taken out when the next one was deleted');
        self::assertSame(0, Share::query()->count());
    }

    public function testACopyHasThePlanAndNothingOfWhatWasDone(): void
    {
        $job = $this->actingAs($this->lead)->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        $id = $job->json('id');
        $run = $job->json('evaluation.runs.0');
        $this->happened($id, [
            ['kind' => 'cut', 'run' => $run['id'], 'piece' => $run['pieces'][0]['key'], 'length_mm' => 500.0],
        ]);
        $headers = ['Idempotency-Key' => 'copy-of-mill-row'];
        $copy = $this->postJson("/api/jobs/{$id}/copy", ['name' => 'Mill Row, second flat'], $headers)->assertCreated();
        self::assertNotSame($id, $copy->json('id'));
        self::assertSame('Mill Row, second flat', $copy->json('document.name'));
        self::assertEquals(
            ['name' => 'x'] + (array) $this->getJson("/api/jobs/{$id}")->json('document'),
            ['name' => 'x'] + (array) $copy->json('document'),
        );
        $this->getJson("/api/jobs/{$copy->json('id')}/log")->assertJsonPath('length', 0);
        // The same asked for again is the same copy.
        $this->postJson("/api/jobs/{$id}/copy", ['name' => 'Mill Row, second flat'], $headers)
            ->assertCreated()
            ->assertJsonPath('id', $copy->json('id'));
        $this->postJson("/api/jobs/{$id}/copy", ['name' => ' '])
            ->assertStatus(422)
            ->assertJsonPath('errors.name.0', 'say what the copy is called');
        // It can be worked on like any other.
        $this->putJson("/api/jobs/{$copy->json('id')}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => $copy->json('document'),
        ])->assertOk();
    }

    public function testTheBoardSaysAtWhichStationAJobIs(): void
    {
        $empty = $this->started('Nothing yet');
        $document = self::demo('weir-cottage-office');
        $job = $this->postJson('/api/jobs', ['document' => $document])->assertCreated();
        $id = $job->json('id');
        $runs = (array) $job->json('evaluation.runs');
        $at = fn (string $id): array => collect((array) $this->getJson('/api/jobs')->json('jobs'))
            ->keyBy('id')[$id]['summary'];
        self::assertSame(['route', 'cut'], [$at($empty)['station'], $at($id)['station']]);

        $cut = $joints = [];
        foreach ($runs as $run) {
            foreach ($run['pieces'] as $piece) {
                $cut[] = ['kind' => 'cut', 'run' => $run['id'], 'piece' => $piece['key'], 'length_mm' => 300.0];
            }
            foreach ($run['joints'] as $joint) {
                $joints[] = ['kind' => 'joint', 'run' => $run['id'], 'joint' => $joint['number']];
            }
        }
        $this->happened($id, $cut);
        self::assertSame('glue-up', $at($id)['station']);
        $this->happened($id, array_slice($joints, 1));
        self::assertSame(count($joints) - 1, $at($id)['done']['joints_made']);
        $this->happened($id, [$joints[0]]);
        self::assertSame('test', $at($id)['station']);
        $trouble = ['kind' => 'trouble', 'run' => $joints[0]['run'], 'joint' => $joints[0]['joint'], 'what' => 'leaks'];
        $this->happened($id, [$trouble]);
        self::assertSame('glue-up', $at($id)['station']);
        self::assertSame(
            ['Weir Cottage office'],
            array_column((array) $this->getJson('/api/jobs?station=glue-up')->json('jobs'), 'name'),
        );
        self::assertSame(1, $this->getJson('/api/jobs?station=route')->json('count'));
        $this->getJson('/api/jobs?station=lunch')->assertStatus(422);
        // An edit of the plan leaves what was done.
        $this->putJson("/api/jobs/{$id}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => ['name' => 'Weir'] + (array) $job->json('document'),
        ])->assertOk();
        self::assertSame('glue-up', $at($id)['station']);
    }

    public function testTheBoardFindsTheJobsThatSomebodyWorkedOn(): void
    {
        $apprentice = self::member(Crew::query()->where('name', 'Day crew')->firstOrFail(), 'apprentice');
        [$planned, $walked] = [$this->started('Planned by the lead'), $this->started('Walked by the apprentice')];
        $this->actingAs($apprentice)->happened($walked, [['kind' => 'note', 'note' => 'The wall is open.']]);
        $names = fn (int $person): array => array_column(
            (array) $this->getJson("/api/jobs?person={$person}&order=name")->assertOk()->json('jobs'),
            'name',
        );
        self::assertSame(['Planned by the lead', 'Walked by the apprentice'], $names($this->lead->id));
        self::assertSame(['Walked by the apprentice'], $names($apprentice->id));
        self::assertSame([], $names($this->stranger->id));
        self::assertSame(
            ['apprentice', 'lead'],
            array_column((array) $this->getJson('/api/jobs')->json('people'), 'name'),
        );
        $this->getJson('/api/jobs?person=lead')->assertStatus(422);
        $this->getJson("/api/jobs/{$planned}")->assertOk();
    }

    public function testAnotherCrewDoesNothingOfThis(): void
    {
        $id = $this->started('Weir Cottage');
        $this->actingAs($this->stranger);
        $this->postJson("/api/jobs/{$id}/archive")->assertNotFound();
        $this->deleteJson("/api/jobs/{$id}")->assertNotFound();
        $this->postJson("/api/jobs/{$id}/copy", ['name' => 'Ours'])->assertNotFound();
        $this->actingAs($this->lead)->deleteJson("/api/jobs/{$id}")->assertNoContent();
        $this->actingAs($this->stranger)->postJson("/api/jobs/{$id}/put-back")->assertNotFound();
        self::assertSame([[], [], []], $this->shelves());
    }

    private function started(string $name): string
    {
        $job = $this->actingAs($this->lead)->postJson('/api/jobs', [
            'name' => $name,
            'place' => '',
            'units' => 'inch',
            'rulebook' => 'ipc-2021',
        ]);

        return (string) $job->assertCreated()->json('id');
    }

    /** @return list<list<string>> names of the jobs that are open, archived, deleted; the counts agree */
    private function shelves(): array
    {
        $names = [];
        foreach (['open', 'archived', 'deleted'] as $shelf) {
            $page = $this->getJson("/api/jobs?shelf={$shelf}")->assertOk();
            self::assertShape('BoardPage', (string) $page->getContent());
            $names[] = array_column((array) $page->json('jobs'), 'name');
            self::assertSame(count((array) $page->json('jobs')), $page->json("shelves.{$shelf}"));
        }

        return $names;
    }

    public function testJobsOfOneSiteAreFoundTogether(): void
    {
        [$first] = $this->demoJob();
        [$second] = $this->demoJob();
        $this->demoJob();
        $this->putJson("/api/jobs/{$first}/project", ['project' => ' Mill Row flats '])->assertNoContent();
        $this->putJson("/api/jobs/{$first}/project", ['project' => str_repeat('x', 81)])->assertStatus(422);
        $copy = $this->postJson("/api/jobs/{$first}/copy", ['name' => 'Flat 2'])->assertCreated()->json('id');
        $this->putJson("/api/jobs/{$second}/project", ['project' => 'Weir site'])->assertNoContent();
        $page = $this->getJson('/api/jobs?project=Mill+Row+flats')->assertOk();
        self::assertShape('BoardPage', (string) $page->getContent());
        self::assertEqualsCanonicalizing([$first, $copy], array_column((array) $page->json('jobs'), 'id'));
        self::assertSame(['Mill Row flats', 'Mill Row flats'], array_column((array) $page->json('jobs'), 'project'));
        self::assertSame(
            [
                ['name' => 'Mill Row flats', 'jobs' => 2, 'signed' => 0],
                ['name' => 'Weir site', 'jobs' => 1, 'signed' => 0],
            ],
            $page->json('projects'),
        );
        $this->putJson("/api/jobs/{$second}/project", ['project' => ''])->assertNoContent();
        self::assertCount(1, (array) $this->getJson('/api/jobs')->json('projects'));
    }
}
