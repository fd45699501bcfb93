<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\OwnEntry;
use FallBend\Core\Catalog\Catalogue;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Tests\TwoCrews;

/** What a crew sets for itself never shuts the crew out of its own jobs. */
final class OwnNumbersTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    private string $job;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->lead);
        $this->job = (string) $this->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated()
            ->json('id');
    }

    /**
     * Nothing and a hundred thousand, of every kind of number: whatever is taken, the jobs of the crew open as before.
     */
    #[DataProvider('shares')]
    public function testExtremesAreRefusedOrReckonedWith(int $share): void
    {
        $refused = 0;
        foreach (self::kindsOfNumbers() as $n => [$kind, $entry]) {
            if ($n % 4 !== $share) {
                continue;
            }
            foreach ([0, 100_000] as $value) {
                $answer = $this->keep($kind, ['value' => $value] + $entry);
                $refused += $answer->status() === 422 ? 1 : 0;
                self::assertContains($answer->status(), [201, 422], json_encode($entry, JSON_THROW_ON_ERROR));
            }
        }
        self::assertGreaterThan(10, $refused);
        self::assertGreaterThan(10, OwnEntry::query()->count());
        $this->getJson("/api/jobs/{$this->job}")->assertOk();
        $this->getJson('/api/catalogue?kind=fittings')->assertOk();
        $this->putJson("/api/jobs/{$this->job}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => ['place' => 'Elsewhere'] + self::demo(),
        ])->assertOk();
    }

    /** @return array<string, array{int}> */
    public static function shares(): array
    {
        return ['first quarter' => [0], 'second' => [1], 'third' => [2], 'fourth' => [3]];
    }

    public function testPipeWithoutFrictionIsRefusedAtTheValue(): void
    {
        $this->keep('threshold', ['rulebook' => 'ipc-2021', 'threshold' => 'flow.roughness', 'value' => 0])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['entry.value' => 'must be from 0.005 to 0.05']);
        self::assertSame(0, OwnEntry::query()->count());
    }

    public function testARowThatNumbersRestOnIsTakenBackAfterThem(): void
    {
        $sleeve = [
            'id' => 'own/sleeve',
            'method' => 'flexible-unshielded',
            'size' => '110',
            'name' => 'sleeve',
            'maker_name' => 'as printed',
            'sides' => [
                [['system' => 'pvcu-underground', 'size' => '110']],
                [['system' => 'clay-en295', 'size' => '100']],
            ],
            'length_mm' => 100,
            'stop_mm' => 4,
            'bands' => 2,
            'grounds' => ['buried'],
            'price_class' => 2,
            'source' => 'print of the part',
        ];
        $row = $this->keep('row', ['table' => 'couplings', 'group' => 'rows', 'row' => $sleeve])
            ->assertCreated()
            ->json('id');
        $number = $this->keep('number', [
            'table' => 'couplings',
            'row' => 'own/sleeve',
            'field' => 'length_mm',
            'value' => 120,
        ])
            ->assertCreated()
            ->json('id');
        $this->deleteJson("/api/catalogue/own/{$row}")
            ->assertStatus(422)
            ->assertJsonValidationErrors(['id' => 'take back first couplings own/sleeve length_mm']);
        $this->getJson("/api/jobs/{$this->job}")->assertOk();
        $this->deleteJson("/api/catalogue/own/{$number}")->assertNoContent();
        $this->deleteJson("/api/catalogue/own/{$row}")->assertNoContent();
        self::assertSame(0, OwnEntry::query()->count());
    }

    public function testWhatCannotBeUsedIsLeftOutAndSaysWhy(): void
    {
        $good = $this->keep('number', [
            'table' => 'pvc-dwv-40',
            'row' => 'quarter/2',
            'field' => 'take_off_mm',
            'value' => 60,
        ])->json('id');
        $lost = OwnEntry::query()->create([
            'crew_id' => $this->lead->crewId(),
            'author_id' => $this->lead->id,
            'kind' => 'number',
            'place' => 'x',
            'entry' => '{"table":"pvc-dwv-40","row":"a-row-of-an-older-list","field":"take_off_mm","value":60}',
        ])->id;
        $odd = OwnEntry::query()->create([
            'crew_id' => $this->lead->crewId(),
            'author_id' => $this->lead->id,
            'kind' => 'row',
            'place' => 'y',
            'entry' => '{"table":"couplings","group":"rows","row":{"id":"own/odd","sides":[],"source":"from before"}}',
        ])->id;
        $this->getJson("/api/jobs/{$this->job}")->assertOk();
        $own = $this->getJson('/api/catalogue/own')->assertOk();
        $unusable = array_column($own->json('own'), 'unusable', 'id');
        self::assertNull($unusable[$good]);
        self::assertSame('row: is no row of pvc-dwv-40', $unusable[$lost]);
        self::assertStringContainsString('row', (string) $unusable[$odd]);
        $this->keep('threshold', [
            'rulebook' => 'ipc-2021',
            'threshold' => 'fall.least.small',
            'value' => 18,
        ])->assertCreated();
        $this->deleteJson("/api/catalogue/own/{$lost}")->assertNoContent();
        $this->deleteJson("/api/catalogue/own/{$odd}")->assertNoContent();
    }

    public function testRowsAreAddedOnlyWhereTheyAreUsed(): void
    {
        $row = ['id' => 'own/x', 'name' => 'x', 'source' => 'made up'];
        $this->keep('row', ['table' => 'traps', 'group' => 'rows', 'row' => $row])
            ->assertStatus(422)
            ->assertJsonValidationErrors('entry.table');
        $this->keep('row', ['table' => 'pvc-dwv-40', 'group' => 'rows', 'row' => $row])
            ->assertStatus(422)
            ->assertJsonValidationErrors('entry.group');
        $this->keep('row', ['table' => 'tools', 'group' => 'rows', 'row' => $row])
            ->assertStatus(422)
            ->assertJsonValidationErrors('entry.row.shelf');
    }

    public function testThingsAreToldApartByEveryLetter(): void
    {
        foreach (['Clip', 'clip', 'Clíp'] as $n => $what) {
            $this->putJson('/api/prices', [
                'prices' => [['what' => $what, 'size' => '', 'each' => $n + 1]],
            ])->assertOk();
        }
        self::assertCount(3, $this->getJson('/api/prices')->json('prices'));
    }

    /**
     * @param array<string, mixed> $entry
     * @return TestResponse<Response>
     */
    private function keep(string $kind, array $entry): TestResponse
    {
        return $this->postJson('/api/catalogue/own', ['kind' => $kind, 'entry' => $entry]);
    }

    /**
     * @return list<array{string, array<string, mixed>}> the first number of every kind: of table, group and field, or
     *     of a topic
     */
    private static function kindsOfNumbers(): array
    {
        $catalogue = Catalogue::shipped();
        $kinds = [];
        foreach (['pvc-dwv-40', 'ci-hub-service', ...Catalogue::PARTS] as $table) {
            foreach ($catalogue->table($table) as $group => $rows) {
                foreach (is_array($rows) && array_is_list($rows) ? $rows : [] as $row) {
                    foreach (
                        is_array($row) && is_string($row['id'] ?? null) ? Catalogue::numbers($row) : [] as $field
                    ) {
                        $kinds["{$table} {$group} {$field}"] ??= [
                            'number',
                            ['table' => $table, 'row' => $row['id'], 'field' => $field],
                        ];
                    }
                }
            }
        }
        foreach ($catalogue->rulebook('ipc-2021')->thresholds() as $id => $threshold) {
            if ($threshold->value !== null) {
                $kinds[$threshold->topic] ??= ['threshold', ['rulebook' => 'ipc-2021', 'threshold' => $id]];
            }
        }

        return array_values($kinds);
    }
}
