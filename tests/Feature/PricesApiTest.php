<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\OwnEntry;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;
use Tests\TwoCrews;

final class PricesApiTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    private const ELBOW = ['what' => 'long-sweep 90', 'size' => '2', 'pipe' => 'PVC', 'each' => 2.5];

    private const STICK = ['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048, 'price' => 11.25];

    public function testThePricesOfACrewAreKeptReplacedAndTakenOut(): void
    {
        $this->actingAs($this->lead);
        $kept = $this->putJson('/api/prices', [
            'prices' => [self::ELBOW, ['what' => 'screws for hangers', 'each' => 0.12]],
            'sticks' => [self::STICK],
        ])->assertOk();
        self::assertShape('CrewPrices', (string) $kept->getContent());
        self::assertSame(
            [[2.5, 0.12], [11.25]],
            [array_column($kept->json('prices'), 'each'), array_column($kept->json('sticks'), 'price')],
        );
        self::assertSame('lead', $kept->json('prices.0.by'));
        $this->putJson('/api/prices', ['prices' => [['each' => 3] + self::ELBOW], 'sticks' => []])->assertOk();
        $list = $this->getJson('/api/prices')->assertOk();
        self::assertSame(
            [[3, 0.12], [11.25]],
            [array_column($list->json('prices'), 'each'), array_column($list->json('sticks'), 'price')],
            'in place of the one before, and the others stay',
        );
        $this->deleteJson("/api/prices/{$list->json('prices.0.id')}")->assertNoContent();
        self::assertSame(['screws for hangers'], array_column($this->getJson('/api/prices')->json('prices'), 'what'));
    }

    public function testAnotherCrewNeitherSeesThemNorTakesThemOut(): void
    {
        $this->actingAs($this->lead)
            ->putJson('/api/prices', ['prices' => [self::ELBOW], 'sticks' => []])
            ->assertOk();
        $id = OwnEntry::query()->firstOrFail()->id;
        $this->actingAs($this->stranger);
        self::assertSame(['prices' => [], 'sticks' => []], $this->getJson('/api/prices')->json());
        $this->deleteJson("/api/prices/{$id}")->assertStatus(404);
        self::assertSame(1, OwnEntry::query()->count());
    }

    public function testAWrongPriceIsSaidAtItsFieldAndNothingIsKept(): void
    {
        $this->actingAs($this->lead);
        $this->putJson('/api/prices', ['prices' => [self::ELBOW, ['each' => -1] + self::ELBOW]])
            ->assertStatus(422)
            ->assertJsonValidationErrors('prices.1.each');
        $this->putJson('/api/prices', ['prices' => [self::ELBOW, self::ELBOW]])
            ->assertStatus(422)
            ->assertJsonValidationErrors('prices.1.what');
        $this->putJson('/api/prices', ['prices' => [self::ELBOW], 'sticks' => [['system' => 'lead'] + self::STICK]])
            ->assertStatus(422)
            ->assertJsonValidationErrors('sticks.0.system');
        $this->putJson('/api/prices', ['sticks' => [['size' => '2-3/4'] + self::STICK]])
            ->assertStatus(422)
            ->assertJsonValidationErrors('sticks.0.size');
        $this->putJson('/api/prices', ['sticks' => [self::STICK], 'hats' => 1])->assertStatus(422);
        self::assertSame(0, OwnEntry::query()->count());
    }

    public function testTheyAreNoNumbersOfTheCatalogueAndTheJobStaysAsItIs(): void
    {
        $this->actingAs($this->lead);
        $job = $this->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        $this->putJson('/api/prices', ['prices' => [self::ELBOW], 'sticks' => [self::STICK]])->assertOk();
        self::assertSame([], $this->getJson('/api/catalogue/own')->json('own'));
        $this->deleteJson('/api/catalogue/own/'.OwnEntry::query()->firstOrFail()->id)->assertStatus(404);
        self::assertSame($job->json('evaluation'), $this->getJson("/api/jobs/{$job->json('id')}")->json('evaluation'));
    }
}
