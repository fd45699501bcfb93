<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Job;
use App\Models\OwnEntry;
use App\Models\Revision;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Tests\TwoCrews;

/** A write whose answer was lost is sent again with its key: it is carried out once, and answered as before. */
final class WriteOnceTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testAJobStartedTwiceWithOneKeyIsOneJob(): void
    {
        $first = $this->send('POST', '/api/jobs', ['document' => self::demo()], 'key-of-start');
        $again = $this->send('POST', '/api/jobs', ['document' => self::demo()], 'key-of-start');
        self::assertSame([201, 201], [$first->getStatusCode(), $again->getStatusCode()]);
        self::assertEquals($first->json(), $again->json());
        self::assertSame(1, Job::query()->count());
        $this->send('POST', '/api/jobs', ['document' => self::demo()], 'another-key')->assertStatus(201);
        self::assertSame(2, Job::query()->count());
    }

    public function testALostAnswerIsNoConflictWithOneself(): void
    {
        $job = $this->send('POST', '/api/jobs', ['document' => self::demo()], 'key-of-start');
        $path = "/api/jobs/{$job->json('id')}";
        $edit = ['from' => 1, 'gesture' => 'g', 'document' => ['place' => 'Elsewhere'] + $job->json('document')];
        $lost = $this->send('PUT', $path, $edit, 'key-of-edit')->assertOk();
        $again = $this->send('PUT', $path, $edit, 'key-of-edit')->assertOk();
        self::assertEquals($lost->json(), $again->json());
        self::assertSame(2, Revision::query()->count());

        $undone = $this->send('POST', "{$path}/undo", ['from' => 2], 'key-of-undo')->assertOk();
        self::assertEquals(
            $undone->json(),
            $this->send('POST', "{$path}/undo", ['from' => 2], 'key-of-undo')
                ->assertOk()
                ->json(),
        );
        self::assertSame(3, Revision::query()->count());
        // The first answer still stands for the first write, whatever has come since.
        self::assertSame(2, $this->send('PUT', $path, $edit, 'key-of-edit')->assertOk()->json('revision'));
    }

    public function testAKeyStandsForOneWriteOnly(): void
    {
        $job = $this->send('POST', '/api/jobs', ['document' => self::demo()], 'key-of-start');
        $path = "/api/jobs/{$job->json('id')}";
        $this->send(
            'PUT',
            $path,
            ['from' => 1, 'gesture' => 'g', 'document' => $job->json('document')],
            'key-of-start',
        )->assertStatus(422);
        $this->send(
            'PUT',
            $path,
            ['from' => 1, 'gesture' => 'g', 'document' => $job->json('document')],
            'short',
        )->assertStatus(422);
        self::assertSame(1, Revision::query()->count());
        // Another person's keys are another matter.
        $this->actingAs($this->stranger)
            ->postJson('/api/jobs', ['document' => self::demo()], ['Idempotency-Key' => 'key-of-start'])
            ->assertStatus(201);
        self::assertSame(2, Job::query()->count());
    }

    public function testARefusedWriteMayBeMendedUnderTheSameKey(): void
    {
        $this->send(
            'POST',
            '/api/jobs',
            ['document' => ['rulebook' => 'none'] + self::demo()],
            'key-of-start',
        )->assertStatus(422);
        $this->send('POST', '/api/jobs', ['document' => self::demo()], 'key-of-start')->assertStatus(201);
    }

    public function testNobodyIsToldOfTheirOwnChangeAsAnothers(): void
    {
        $job = $this->send('POST', '/api/jobs', ['document' => self::demo()], 'key-of-start');
        $path = "/api/jobs/{$job->json('id')}";
        $edit = ['from' => 1, 'gesture' => 'g', 'document' => ['place' => 'Elsewhere'] + $job->json('document')];
        $this->send('PUT', $path, $edit, 'key-of-edit')->assertOk();
        $mine = $this->send('PUT', $path, ['gesture' => 'h'] + $edit, 'from-another-tab')->assertStatus(409);
        self::assertShape('Stale', (string) $mine->getContent());
        self::assertSame([], $mine->json('changed_by'));

        $crew = $this->lead->crews()->firstOrFail();
        $this->actingAs(self::member($crew, 'apprentice'))
            ->putJson($path, ['from' => 1, 'gesture' => 'i', 'document' => $edit['document']])
            ->assertStatus(409)
            ->assertJsonPath('changed_by', ['lead']);
    }

    public function testOwnNumbersAndPricesToo(): void
    {
        $entry = [
            'kind' => 'number',
            'entry' => ['table' => 'pvc-dwv-40', 'row' => 'eighth/2', 'field' => 'take_off_mm', 'value' => 31.0],
        ];
        $first = $this->send('POST', '/api/catalogue/own', $entry, 'key-of-number')->assertStatus(201);
        $again = $this->send('POST', '/api/catalogue/own', $entry, 'key-of-number')->assertStatus(201);
        self::assertSame($first->json('id'), $again->json('id'));
        $id = $first->json('id');
        $this->send('DELETE', "/api/catalogue/own/{$id}", [], 'key-of-taking-back')->assertStatus(204);
        $this->send('DELETE', "/api/catalogue/own/{$id}", [], 'key-of-taking-back')->assertStatus(204);
        $this->send('DELETE', "/api/catalogue/own/{$id}", [], 'key-of-another')->assertStatus(404);
        self::assertSame(0, OwnEntry::query()->count());
    }

    /**
     * @param array<string, mixed> $body
     * @return TestResponse<Response>
     */
    private function send(string $method, string $path, array $body, string $key): TestResponse
    {
        return $this->actingAs($this->lead)->json($method, $path, $body, ['Idempotency-Key' => $key]);
    }
}
