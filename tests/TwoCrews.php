<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Crew;
use App\Models\User;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** A member of one crew, and one of another, who is to see nothing of the first. */
trait TwoCrews
{
    private User $lead;

    private User $stranger;

    /**
     * Says in the log of a job what happened on site just now.
     *
     * @param list<array<string, mixed>> $events each with its kind
     * @return TestResponse<Response>
     */
    protected function happened(string $job, array $events): TestResponse
    {
        $more = static fn (): array => ['key' => Str::random(20), 'made_at' => '2026-11-25T10:00:00Z', 'age_s' => 0];

        return $this->postJson("/api/jobs/{$job}/log", [
            'device' => 'Phone in the cellar',
            'entries' => array_map(static fn (array $event): array => $event + $more(), $events),
        ])->assertOk();
    }

    /**
     * Starts the demo as a job, by its lead, who stays signed in.
     *
     * @return array{string, array<string, mixed>} its id, and its document as it is kept
     */
    protected function demoJob(): array
    {
        $job = $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated();

        return [$job->json('id'), $job->json('document')];
    }

    protected function setUpTwoCrews(): void
    {
        $this->lead = self::member(Crew::query()->create(['name' => 'Day crew']), 'lead');
        $this->stranger = self::member(Crew::query()->create(['name' => 'Night crew']), 'stranger');
    }
}
