<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use Illuminate\Support\Facades\Cache;
use Illuminate\Testing\TestResponse;
use ReflectionProperty;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

/**
 * A job that was evaluated just now is not evaluated again when it is kept, ticked off or opened, and says the same.
 */
final class KnownEvaluationsTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    private const RUN = 'clay-wash';

    private const WANT = ['job' => '', 'places' => '', 'run:'.self::RUN => ''];

    private const CUT = ['cut:'.self::RUN => ''];

    private string $id;

    /** @var array<string, mixed> */
    private array $document;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->lead);
        $job = $this->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        [$this->id, $this->document] = [(string) $job->json('id'), (array) $job->json('document')];
    }

    public function testWhatWasShownIsKeptWithoutBeingEvaluatedAgain(): void
    {
        $shown = $this->shown('north 40 / right 20');
        $this->mark();
        $kept = $this->keep($this->changed($shown), 1);
        self::assertSame('remembered', $kept->json('parts.places.value'));
    }

    public function testWhatIsRememberedIsWhatWouldBeFound(): void
    {
        $shown = $this->shown('north 40 / right 20');
        $kept = $this->keep($this->changed($shown), 1);
        $summary = Job::query()->findOrFail($this->id)->summary;
        Cache::store('evaluations')->clear();
        $fresh = $this->getJson("/api/jobs/{$this->id}?want=".implode(',', array_keys(self::WANT)))->assertOk();
        self::assertSame($fresh->json('parts'), $kept->json('parts'));
        Job::query()
            ->where('id', $this->id)
            ->update(['summary' => null, 'summary_version' => 0]);
        Cache::store('evaluations')->clear();
        $this->getJson("/api/jobs/{$this->id}")->assertOk();
        self::assertEquals(Job::query()->findOrFail($this->id)->summary, $summary);
    }

    public function testATickNeedsNoEvaluationAndIsCounted(): void
    {
        $first = $this->keep($this->document, 1);
        $summary = Job::query()->findOrFail($this->id)->summary;
        $run = $summary['run']['id'] ?? '';
        $report = $this->getJson("/api/jobs/{$this->id}?want=run:{$run}")->json("parts.run:{$run}.value");
        $piece = $report['pieces'][0];
        $this->mark();
        $cut = ['kind' => 'cut', 'run' => $run, 'piece' => $piece['key'], 'length_mm' => $piece['cut']['mm'] + 3.0];
        $this->happened($this->id, [$cut]);
        $ticked = $this->asked(self::WANT + ["cut:{$run}" => '']);
        self::assertSame('remembered', $ticked->json('parts.places.value'));
        self::assertTrue($ticked->json("parts.cut:{$run}.value.pieces.0.cut"));
        $after = Job::query()->findOrFail($this->id)->summary;
        self::assertSame(
            ($summary['run']['counts']['pieces_to_cut'] ?? 0) - 1,
            $after['run']['counts']['pieces_to_cut'] ?? null,
        );
        self::assertSame($first->json('revision'), Job::query()->findOrFail($this->id)->head);
    }

    public function testATickLaysNothingOutAnew(): void
    {
        $this->keep($this->document, 1);
        $this->forgetToCut(self::RUN);
        $this->tick();
        $ticked = $this->asked(self::CUT);
        self::assertSame([self::RUN], $this->runsInSticks($ticked), 'the other runs were laid out for it');
        self::assertTrue($ticked->json('parts.cut:'.self::RUN.'.value.pieces.0.cut'));
    }

    public function testWhatIsToBeCutIsTheSameWhereNothingIsRemembered(): void
    {
        $this->keep($this->document, 1);
        $this->tick();
        $known = $this->asked(self::CUT);
        Cache::store('evaluations')->clear();
        $fresh = $this->getJson("/api/jobs/{$this->id}?want=".array_key_first(self::CUT))->assertOk();
        self::assertGreaterThan(1, count($this->runsInSticks($fresh)));
        self::assertSame($fresh->json('parts'), $known->json('parts'));
    }

    public function testWhatIsToBeCutIsKeptAgainOnceItIsLost(): void
    {
        $this->keep($this->document, 1);
        $this->forgetToCut(null);
        $this->tick();
        $this->asked(self::CUT);
        $this->forgetToCut(self::RUN);
        $this->tick(2);
        self::assertSame([self::RUN], $this->runsInSticks($this->asked(self::CUT)));
    }

    public function testOtherNumbersOfTheCrewAreAnotherEvaluation(): void
    {
        $this->keep($this->document, 1);
        $this->mark();
        $entry = ['rulebook' => self::demo()['rulebook'], 'threshold' => 'fall.least.small', 'value' => 30];
        $this->postJson('/api/catalogue/own', ['kind' => 'threshold', 'entry' => $entry])->assertCreated();
        $this->assertNotRemembered();
    }

    public function testAnotherDocumentIsAnotherEvaluation(): void
    {
        $this->keep($this->document, 1);
        $this->mark();
        $this->keep(['units' => 'mm'] + $this->document, 2);
        $this->assertNotRemembered();
    }

    public function testWhatIsLostIsWorkedOutAgain(): void
    {
        $shown = $this->shown('north 40 / right 20');
        Cache::store('evaluations')->clear();
        $kept = $this->keep($this->changed($shown), 1);
        self::assertSame($shown->json('parts.places.value'), $kept->json('parts.places.value'));
    }

    private function assertNotRemembered(): void
    {
        $opened = $this->getJson("/api/jobs/{$this->id}?want=places")->assertOk();
        self::assertIsArray($opened->json('parts.places.value'));
    }

    /** @return TestResponse<Response> */
    private function shown(string $callOut): TestResponse
    {
        return $this->postJson('/api/evaluate', [
            'job' => $this->id,
            'document' => $this->document,
            'call_out' => ['run' => self::RUN, 'text' => $callOut],
            'want' => self::WANT,
        ])->assertOk();
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, string> $want
     * @return TestResponse<Response>
     */
    private function keep(array $document, int $from, array $want = self::WANT): TestResponse
    {
        return $this->putJson("/api/jobs/{$this->id}", [
            'from' => $from,
            'gesture' => "g{$from}",
            'document' => $document,
            'want' => $want,
        ])->assertOk();
    }

    /**
     * @param TestResponse<Response> $shown
     * @return array<string, mixed>
     */
    private function changed(TestResponse $shown): array
    {
        $runs = array_column((array) $this->document['runs'], null, 'id');
        foreach ((array) $shown->json('changed.runs') as $run) {
            $runs[$run['id']] = $run;
        }

        return ['runs' => array_values($runs)] + $shown->json('changed.set') + $this->document;
    }

    /**
     * The document as it is kept, asked about again.
     *
     * @param array<string, string> $want
     * @return TestResponse<Response>
     */
    private function asked(array $want): TestResponse
    {
        return $this->postJson('/api/evaluate', [
            'job' => $this->id,
            'document' => $this->document,
            'want' => $want,
        ])->assertOk();
    }

    /** The first pieces of the run are cut. */
    private function tick(int $pieces = 1): void
    {
        $part = 'run:'.self::RUN;
        $all = $this->getJson("/api/jobs/{$this->id}?want={$part}")->json("parts.{$part}.value.pieces");
        $cut = array_map(
            static fn (array $piece): array => [
                'kind' => 'cut',
                'run' => self::RUN,
                'piece' => $piece['key'],
                'length_mm' => $piece['cut']['mm'] + 3.0,
            ],
            array_slice($all, 0, $pieces),
        );
        $this->happened($this->id, array_values($cut));
    }

    /**
     * @param TestResponse<Response> $answer
     * @return list<string> ids of the runs that pieces are cut for, each once
     */
    private function runsInSticks(TestResponse $answer): array
    {
        $runs = $answer->json('parts.cut:'.self::RUN.'.value.groups.*.sticks.*.cuts.*.run');

        return array_values(array_unique($runs));
    }

    /** Forgets what is to be cut of all runs but one; null: of all. */
    private function forgetToCut(?string $but): void
    {
        $store = Cache::store('evaluations')->getStore();
        $forgotten = 0;
        foreach ($this->remembered() as $key) {
            $runs = $store->get($key);
            if (str_ends_with($key, '-cut') && is_array($runs)) {
                $but === null
                    ? $store->forget($key)
                    : $store->put($key, array_intersect_key($runs, [$but => true]), 60);
                $forgotten++;
            }
        }
        self::assertGreaterThan(0, $forgotten);
    }

    /** @return list<string> keys of what is remembered */
    private function remembered(): array
    {
        $store = Cache::store('evaluations')->getStore();
        $all = (new ReflectionProperty($store, 'storage'))->getValue($store);
        self::assertIsArray($all);
        self::assertNotSame([], $all);

        return array_map(strval(...), array_keys($all));
    }

    /** Marks everything that is remembered, to see where it comes back. */
    private function mark(): void
    {
        $store = Cache::store('evaluations')->getStore();
        foreach ($this->remembered() as $key) {
            $known = $store->get($key);
            if (! is_array($known) || ! isset($known['parts'])) {
                continue;
            }
            $known['parts']['places'] = '"remembered"';
            $store->put($key, $known, 60);
        }
    }
}
