<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\Revision;
use FallBend\Core\Report\BoardSummary;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;
use Tests\TwoCrews;

/** The board shows what was stored when a job was kept, a page at a time. */
final class BoardApiTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testARowSaysWhereTheJobStoodWhenItWasKept(): void
    {
        $job = $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertStatus(201);
        $page = $this->getJson('/api/jobs')->assertOk();
        self::assertShape('BoardPage', (string) $page->getContent());
        $runs = (array) $job->json('evaluation.runs');
        $row = $page->json('jobs.0');
        self::assertSame(
            ['Mill Row Pottery', 1, 'lead', null],
            [$row['name'], $row['revision'], $row['kept_by'], $row['unreadable']],
        );
        self::assertSame(count($runs), $row['summary']['runs']);
        $heaviest = $runs[$row['summary']['run']['number'] - 1];
        self::assertSame($heaviest['id'], $row['summary']['run']['id']);
        self::assertSame($heaviest['findings'][0]['remedy'], $row['summary']['run']['next']['remedy']);
        self::assertContains(
            'stop',
            array_column($heaviest['findings'], 'severity'),
            'the demo has a stop, and the board shows it first',
        );
        self::assertSame(count($heaviest['pieces']), $row['summary']['run']['counts']['pieces']);
        self::assertSame(
            array_column($heaviest['pieces'], 'key'),
            array_column($row['summary']['run']['drawing']['pieces'], 'key'),
        );

        $renamed = $this->putJson("/api/jobs/{$job->json('id')}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => [
                'name' => 'Renamed',
                'runs' => [],
                'obstacles' => [],
                'moves' => [],
                'hanging' => [],
                'cutting' => null,
            ] + self::demo(),
        ]);
        $renamed->assertOk();
        $row = $this->getJson('/api/jobs')->json('jobs.0');
        self::assertSame(['Renamed', 2, null], [$row['name'], $row['revision'], $row['summary']['run']]);
    }

    public function testAThousandJobsArePagedAndNoneIsEvaluated(): void
    {
        $summary = json_encode(
            ['units' => 'inch', 'rulebook' => 'IPC 2021', 'runs' => 0, 'drawn_fill' => 0.3, 'run' => null],
            JSON_THROW_ON_ERROR,
        );
        $crew = (int) $this->lead->crewId();
        $jobs = [];
        for ($i = 0; $i < 1000; $i++) {
            // Many were kept in the same second.
            $at = now()->subSeconds(intdiv($i, 7));
            $jobs[] = [
                'id' => Str::lower((string) Str::ulid()),
                'crew_id' => $crew,
                'name' => "Job {$i}",
                'head' => 1,
                'summary' => $summary,
                'summary_version' => BoardSummary::VERSION,
                'kept_by_id' => $this->lead->id,
                'created_at' => $at,
                'updated_at' => $at,
            ];
        }
        DB::table('jobs')->insert($jobs);
        // There is no revision at all: whoever evaluated a job here would fail.
        $seen = [];
        $next = null;
        DB::enableQueryLog();
        do {
            $page = $this->actingAs($this->lead)
                ->getJson('/api/jobs'.($next === null ? '' : "?after={$next}"))
                ->assertOk();
            self::assertSame(1000, $page->json('count'));
            self::assertLessThanOrEqual(25, count((array) $page->json('jobs')));
            $seen = [...$seen, ...array_column((array) $page->json('jobs'), 'id')];
            $next = $page->json('next');
        } while ($next !== null);
        self::assertCount(1000, $seen);
        self::assertCount(1000, array_unique($seen));
        self::assertLessThan(8 * 40, count(DB::getQueryLog()), 'a page is a handful of queries');
        $this->getJson('/api/jobs?after=nowhere')->assertStatus(422);
        $this->getJson('/api/jobs?order=size')->assertStatus(422);
        $this->actingAs($this->stranger)->getJson('/api/jobs')->assertJsonPath('count', 0);
    }

    public function testJobsAreFoundByTheirNameAndSorted(): void
    {
        $this->actingAs($this->lead);
        foreach (['Mill_1', 'mill 2', '100 % Clay', 'Écluse', 'Weir'] as $name) {
            $this->postJson('/api/jobs', [
                'name' => $name,
                'place' => '',
                'units' => 'mm',
                'rulebook' => 'adh-2015',
            ])->assertCreated();
        }
        $names = fn (string $query): array => array_column(
            (array) $this->getJson("/api/jobs?{$query}")
                ->assertOk()
                ->json('jobs'),
            'name',
        );
        self::assertSame(['mill 2', 'Mill_1'], $names('search=mill&order=name'));
        self::assertSame(
            ['Mill_1'],
            $names('search=l_1&order=name'),
            'what stands for anything elsewhere stands for itself',
        );
        self::assertSame(['100 % Clay'], $names('search='.rawurlencode('0 % c')));
        self::assertSame([], $names('search=nothing'));
        $this->getJson('/api/jobs?search=nothing')->assertJsonPath('count', 0)->assertJsonPath('next', null);
        $all = $names('order=name');
        self::assertSame(['100 % Clay', 'Écluse', 'mill 2', 'Mill_1', 'Weir'], $all);
    }

    public function testPagesByNameHoldEveryJobOnce(): void
    {
        $crew = (int) $this->lead->crewId();
        DB::table('jobs')->insert(
            array_map(
                static fn (int $i): array => [
                    'id' => Str::lower((string) Str::ulid()),
                    'crew_id' => $crew,
                    'name' => 'Job '.$i % 40,
                    'head' => 1,
                    'summary_version' => BoardSummary::VERSION,
                    'created_at' => now(),
                    'updated_at' => now(),
                ],
                range(1, 120),
            ),
        );
        [$seen, $next] = [[], null];
        do {
            $page = $this->actingAs($this->lead)
                ->getJson('/api/jobs?order=name'.($next === null ? '' : "&after={$next}"))
                ->assertOk();
            $seen = [...$seen, ...(array) $page->json('jobs')];
            $next = $page->json('next');
        } while ($next !== null);
        self::assertCount(120, array_unique(array_column($seen, 'id')));
        $sorted = array_column($seen, 'name');
        sort($sorted, SORT_STRING);
        self::assertSame($sorted, array_column($seen, 'name'));
        $this->getJson(
            '/api/jobs?after='.rawurlencode((string) $this->getJson('/api/jobs?order=name')->json('next')),
        )->assertStatus(422);
    }

    public function testJobsOfAnEarlierVersionAreSummarisedBesideServing(): void
    {
        $job = $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertStatus(201);
        $other = $this->postJson('/api/jobs', ['document' => ['name' => 'Broken'] + self::demo()])->assertStatus(201);
        Job::query()->update(['summary' => null, 'summary_version' => 0]);
        Revision::query()
            ->where('job_id', $other->json('id'))
            ->update(['document' => 'nothing']);
        $this->getJson('/api/jobs')->assertOk()->assertJsonPath('jobs.0.summary', null);
        $at = self::job($job)->updated_at;
        self::assertSame(0, Artisan::call('jobs:summarise'));
        $rows = collect((array) $this->getJson('/api/jobs')->assertOk()->json('jobs'))->keyBy('id');
        self::assertNotNull($rows[$job->json('id')]['summary']);
        self::assertNotNull($rows[$other->json('id')]['unreadable']);
        self::assertEquals(
            $at,
            self::job($job)->updated_at,
            'nothing of the job was changed',
        );
    }
}
