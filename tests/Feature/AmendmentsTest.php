<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\OwnEntry;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;
use Tests\TwoCrews;

/** What towns have otherwise than the books: kept by a crew, seen by no other, and asked for beside the books. */
final class AmendmentsTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    private const SAID = [
        'name' => 'Millbrook',
        'rulebook' => 'upc-2021',
        'said_by' => 'the building office',
        'said_on' => '2026-11-20',
        'rows' => [['threshold' => 'vent.above-roof', 'value' => 600]],
    ];

    public function testTheyAreKeptReplacedByNameAndRemoved(): void
    {
        $this->actingAs($this->lead);
        $this->getJson('/api/amendments')->assertOk()->assertExactJson(['amendments' => []]);
        $this->putJson('/api/amendments', self::SAID)
            ->assertOk()
            ->assertJsonPath('amendments.0.amendments.rows.0.value', 600);
        $kept = $this->putJson('/api/amendments', ['said_on' => '2026-11-21'] + self::SAID)->assertOk();
        $kept->assertJsonCount(1, 'amendments')->assertJsonPath('amendments.0.amendments.said_on', '2026-11-21');
        self::assertSame('lead', $kept->json('amendments.0.by'));
        self::assertNull($kept->json('amendments.0.unusable'));
        $this->deleteJson("/api/amendments/{$kept->json('amendments.0.id')}")->assertNoContent();
        self::assertSame(0, OwnEntry::query()->where('kind', OwnEntry::AMENDMENTS)->count());
    }

    public function testWhatIsWrongIsSaidAndNothingIsKept(): void
    {
        $this->actingAs($this->lead);
        $this->putJson('/api/amendments', ['said_on' => 'lately'] + self::SAID)
            ->assertStatus(422)
            ->assertJsonValidationErrors('said_on');
        $wrong = ['rows' => [['threshold' => 'vent.above-roof', 'value' => -1]]];
        $this->putJson('/api/amendments', $wrong + self::SAID)
            ->assertStatus(422)
            ->assertJsonValidationErrors('rows.0.value');
        $this->getJson('/api/amendments')->assertExactJson(['amendments' => []]);
    }

    public function testAnotherCrewNeitherSeesNorRemovesThem(): void
    {
        $id = $this->actingAs($this->lead)->putJson('/api/amendments', self::SAID)->json('amendments.0.id');
        $this->actingAs($this->stranger);
        $this->getJson('/api/amendments')->assertExactJson(['amendments' => []]);
        $this->deleteJson("/api/amendments/{$id}")->assertNotFound();
        self::assertSame(1, OwnEntry::query()->count());
    }

    public function testOneThatCannotBeReadAnyMoreIsListedWithItsReason(): void
    {
        $this->actingAs($this->lead)->putJson('/api/amendments', self::SAID)->assertOk();
        $entry = OwnEntry::query()->sole();
        $entry->update(['entry' => str_replace('vent.above-roof', 'vent.no-more', $entry->entry)]);
        $this->getJson('/api/amendments')
            ->assertOk()
            ->assertJsonPath('amendments.0.unusable', 'amendments.rows.0.threshold: is no threshold with a value');
    }

    public function testAJobIsHeldAgainstTheBookWithThem(): void
    {
        $this->actingAs($this->lead);
        $document = json_decode(
            (string) file_get_contents(database_path('demo/mill-row-pottery.json')),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $asked = ['document' => $document, 'rulebook' => 'upc-2021'];
        $this->postJson('/api/books', $asked)->assertOk()->assertJsonPath('rows', []);
        $rows = $this->postJson('/api/books', $asked + ['amendments' => self::SAID])->assertOk()->json('rows');
        $isLow = static fn (array $row): bool => $row['there']['rule'] === 'vent.terminalLow';
        $low = array_values(array_filter($rows, $isLow));
        self::assertNotSame([], $low);
        self::assertSame('Millbrook, the building office, 2026-11-20.', $low[0]['there']['source']['source']);
        $this->postJson('/api/books', ['rulebook' => 'irc-2021', 'amendments' => self::SAID] + $asked)
            ->assertStatus(422)
            ->assertJsonValidationErrors('amendments.rulebook');
    }
}
