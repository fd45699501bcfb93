<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\OwnEntry;
use FallBend\Core\Catalog\Browse;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;
use Tests\TwoCrews;

final class CatalogueApiTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testEveryKindIsBrowsedInItsShapeAndEveryRowHasASource(): void
    {
        $this->actingAs($this->lead);
        foreach (Browse::KINDS as $kind) {
            foreach (['ipc-2021', 'adh-2015'] as $book) {
                $answer = $this->getJson("/api/catalogue?kind={$kind}&rulebook={$book}")->assertOk();
                self::assertShape('CataloguePage', (string) $answer->getContent());
                self::assertNotSame([], $answer->json('entries'), $kind);
                foreach ($answer->json('entries') as $entry) {
                    self::assertGreaterThan(3, strlen($entry['source']['source']), $entry['row']);
                }
            }
        }
    }

    public function testItIsFoundByWhatItIsCalledOnSite(): void
    {
        $this->actingAs($this->lead);
        $names = fn (string $query): array => array_column(
            $this->getJson("/api/catalogue?{$query}")->json('entries'),
            'maker_name',
        );
        self::assertContains('sanitary tee', $names('kind=fittings&search=san+tee'));
        self::assertContains(
            'long-sweep 1/4 bend',
            $names('kind=fittings&search=long+turn+90&system=pvc-dwv-40&size=2') ?:
            $names('kind=fittings&search=long-turn&system=pvc-dwv-40&size=2'),
        );
        self::assertSame([], $names('kind=fittings&search=no+such+thing'));
        $this->getJson('/api/catalogue?kind=hats')->assertStatus(422)->assertJsonValidationErrors('kind');
        $this->getJson('/api/catalogue?kind=pipes&system=lead')->assertStatus(422);
    }

    public function testACrewsNumberStandsOverTheListIsSeenAndIsTakenBack(): void
    {
        $this->actingAs($this->lead);
        $entry = [
            'table' => 'pvc-dwv-40',
            'row' => 'quarter/2',
            'field' => 'take_off_mm',
            'value' => 57.15,
            'source' => '3 of 3, apprentice',
        ];
        $kept = $this->postJson('/api/catalogue/own', ['kind' => 'number', 'entry' => $entry])->assertCreated();
        self::assertShape('OwnEntry', (string) $kept->getContent());
        $row = fn (): array => array_column(
            $this->getJson('/api/catalogue?kind=fittings&system=pvc-dwv-40&size=2')->json('entries'),
            null,
            'row',
        )['quarter/2'];
        $number = array_column($row()['numbers'], null, 'field')['take_off_mm'];
        self::assertSame(
            ['2 1/4 in', '2 5/16 in', $kept->json('id')],
            [$number['said'], $number['instead_of'], $number['own_id']],
        );
        self::assertSame('measured', $row()['source']['status']);
        $this->postJson('/api/catalogue/own', [
            'kind' => 'number',
            'entry' => ['value' => 58.0] + $entry,
        ])->assertCreated();
        self::assertSame(1, OwnEntry::query()->count(), 'measured again, it replaces what stood there');
        $this->actingAs($this->stranger);
        self::assertSame('stated', $row()['source']['status'], 'another crew does not see it');
        $this->deleteJson('/api/catalogue/own/'.OwnEntry::query()->firstOrFail()->id)->assertStatus(404);
        $this->actingAs($this->lead)
            ->deleteJson('/api/catalogue/own/'.OwnEntry::query()->firstOrFail()->id)
            ->assertNoContent();
        self::assertSame('stated', $row()['source']['status']);
    }

    public function testAJobCarriesOfTheCrewsNumbersOnlyWhatItUses(): void
    {
        $this->actingAs($this->lead);
        foreach (['quarter/2' => 50, 'quarter/4' => 90] as $row => $value) {
            $this->postJson('/api/catalogue/own', [
                'kind' => 'number',
                'entry' => ['table' => 'pvc-dwv-40', 'row' => $row, 'field' => 'take_off_mm', 'value' => $value],
            ])->assertCreated();
        }
        $job = $this->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        $piece = fn (array $evaluation): float => $evaluation['runs'][0]['pieces'][1]['cut']['mm'];
        $mine = $piece($job->json('evaluation'));
        $fittings = array_column($job->json('evaluation.runs.0.fittings'), null, 'row');
        self::assertSame('measured', $fittings['quarter/2']['source']['status'], 'the job is worked out with it');
        self::assertSame(
            self::demo()['overrides']['catalogue'],
            $job->json('document.overrides.catalogue'),
            'and the kept plan does not take it over',
        );
        $file = $this->getJson("/api/jobs/{$job->json('id')}/file")
            ->assertOk()
            ->json();
        self::assertContains('quarter/2', array_column($file['overrides']['catalogue'], 'row'));
        self::assertNotContains('quarter/4', array_column($file['overrides']['catalogue'], 'row'));
        $elsewhere = $this->actingAs($this->stranger)
            ->postJson('/api/jobs', ['document' => $file])
            ->assertCreated();
        self::assertSame($mine, $piece($elsewhere->json('evaluation')), 'the file says the same to others');
    }

    public function testAThresholdOfOurInspectorAndACouplingOfOurs(): void
    {
        $this->actingAs($this->lead);
        $this->postJson('/api/catalogue/own', [
            'kind' => 'threshold',
            'entry' => [
                'rulebook' => 'upc-2021',
                'threshold' => 'joint.flexible.above',
                'value' => 1,
                'source' => 'our inspector',
            ],
        ])->assertCreated();
        $card = $this->postJson('/api/joint', ['document' => self::demo(), 'single' => 'vent-offset'])->assertOk();
        self::assertShape('JointCard', (string) $card->getContent());
        self::assertContains('flexible-unshielded', array_column($card->json('methods'), 'method'));
        $row = [
            'id' => 'own/sleeve',
            'method' => 'flexible-unshielded',
            'size' => '110',
            'name' => 'sleeve',
            'maker_name' => 'as printed',
            'sides' => [
                [['system' => 'pvcu-underground', 'size' => '110']],
                [['system' => 'clay-en295', 'size' => '100']],
            ],
            'low_b_mm' => 115,
            'high_b_mm' => 125,
            'stop_mm' => 4,
            'bands' => 2,
            'grounds' => ['buried'],
            'price_class' => 2,
            'source' => 'print of the part in hand',
        ];
        $this->postJson('/api/catalogue/own', [
            'kind' => 'row',
            'entry' => ['table' => 'couplings', 'group' => 'rows', 'row' => $row],
        ])->assertCreated();
        $weir = json_decode(
            (string) file_get_contents(base_path('database/demo/weir-cottage-office.json')),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($weir);
        $card = $this->postJson('/api/joint', ['document' => $weir, 'run' => 'drain', 'joint' => 'tie-in'])->assertOk();
        self::assertSame(['flexible-unshielded'], array_column($card->json('methods'), 'method'));
        $this->postJson('/api/catalogue/own', [
            'kind' => 'row',
            'entry' => ['table' => 'couplings', 'group' => 'rows', 'row' => ['sides' => []] + $row],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrors('entry.row.sides');
        $this->postJson('/api/catalogue/own', [
            'kind' => 'number',
            'entry' => ['table' => 'pvc-dwv-40', 'row' => 'x', 'field' => 'take_off_mm', 'value' => 1],
        ])
            ->assertStatus(422)
            ->assertJsonValidationErrors('entry.row');
    }

    public function testEveryJointOfTheDemosHasItsCard(): void
    {
        $this->actingAs($this->lead);
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $name) {
            /** @var array<string, mixed> $document */
            $document = json_decode(
                (string) file_get_contents(base_path("database/demo/{$name}.json")),
                true,
                64,
                JSON_THROW_ON_ERROR,
            );
            $evaluation = $this->postJson('/api/evaluate', ['document' => $document])
                ->assertOk()
                ->json('evaluation');
            $asked = array_map(static fn (array $single): array => ['single' => $single['id']], $evaluation['singles']);
            foreach ($evaluation['runs'] as $run) {
                foreach ([$run['joints'][0], $run['joints'][count($run['joints']) - 1]] as $joint) {
                    $asked[] = ['run' => $run['id'], 'joint' => $joint['key']];
                }
            }
            foreach ($asked as $which) {
                $card = $this->postJson('/api/joint', ['document' => $document] + $which)->assertOk();
                self::assertShape('JointCard', (string) $card->getContent());
                // All at once are the same.
                $all = $this->postJson('/api/joints', ['document' => $document] + array_diff_key($which, [
                    'joint' => 0,
                    'single' => 0,
                ]))->assertOk();
                self::assertContains($card->json(), $all->json('cards'));
            }
        }
        $this->postJson('/api/joints', ['document' => self::demo(), 'run' => 'none'])
            ->assertStatus(422)
            ->assertJsonValidationErrors('run');
        $this->postJson('/api/joint', ['document' => self::demo(), 'single' => 'none'])
            ->assertStatus(422)
            ->assertJsonValidationErrors('single');
        $this->postJson('/api/joint', ['document' => self::demo(), 'run' => 'floor', 'joint' => 'none'])
            ->assertStatus(422)
            ->assertJsonValidationErrors('joint');
    }
}
