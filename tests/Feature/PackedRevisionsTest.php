<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\PackedText;
use App\Models\Revision;
use FallBend\Core\Input\BadInput;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\FreshTables;
use Tests\TestCase;
use Tests\TwoCrews;

/** Revisions are stored as what is other in them; whatever was kept reads back as it was. */
final class PackedRevisionsTest extends TestCase
{
    use FreshTables;
    use TwoCrews;

    /** @return iterable<string, array{string, string}> */
    public static function texts(): iterable
    {
        yield 'the same' => ['abc', 'abc'];
        yield 'nothing' => ['', 'abc'];
        yield 'of nothing' => ['abc', ''];
        yield 'longer at the end' => ['abcabc', 'abc'];
        yield 'shorter in the middle' => ['aa', 'aaa'];
        yield 'other in the middle' => ['{"a":1,"b":2}', '{"a":1,"b":3}'];
        yield 'umlauts and zeros' => ["ä\0ö", "ä\0\0ü"];
        yield 'longer than the dictionary' => [
            str_repeat('abc', 30_000).'x'.str_repeat('d', 40_000),
            str_repeat('abc', 30_000).'y'.str_repeat('e', 50_000),
        ];
    }

    #[DataProvider('texts')]
    public function testAPackedTextIsUnpackedAsItWas(string $text, string $base): void
    {
        self::assertSame($text, PackedText::unpack(PackedText::pack($text, $base), $base));
        self::assertSame($text, PackedText::unpack(PackedText::pack($text)));
    }

    public function testWhatIsDamagedIsSaidToBe(): void
    {
        $packed = PackedText::pack('{"a":1,"b":2}', '{"a":1,"b":3}');
        foreach ([substr($packed, 0, 8), "\0".substr($packed, 1), ''] as $damaged) {
            $this->assertDamaged($damaged, '{"a":1,"b":3}');
        }
        $this->assertDamaged($packed, '{"a":9,"b":3}');
    }

    public function testEveryOneOfManyEditsReadsBackAndTakesLittleRoom(): void
    {
        $job = $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated();
        [$id, $texts] = [$job->json('id'), []];
        for ($revision = 1; $revision <= 60; $revision++) {
            $texts[$revision] = $this->get("/api/jobs/{$id}/raw")
                ->assertOk()
                ->getContent();
            $document = $job->json('document');
            $document['runs'][$revision % 5]['legs'][0]['length_mm'] = 300 + $revision;
            $job = $this->putJson("/api/jobs/{$id}", [
                'from' => $revision,
                'gesture' => "g{$revision}",
                'document' => $document,
            ])->assertOk();
        }
        foreach ($texts as $number => $text) {
            self::assertSame($text, Revision::numbered($id, $number)->text(), "revision {$number}");
        }
        self::assertSame(
            [1, 51],
            Revision::query()->whereNull('base')->orderBy('number')->pluck('number')->all(),
            'one of fifty is whole',
        );
        $bytes = (int) DB::table('revisions')->sum(DB::raw('length(packed)'));
        self::assertLessThan(60 * 1_000, $bytes, '10,000 edits of this job would take 10 MB');
    }

    public function testWhatAnEarlierVersionKeptIsReadAndPacked(): void
    {
        $job = $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated();
        $id = $job->json('id');
        $this->putJson("/api/jobs/{$id}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => ['place' => 'Elsewhere'] + $job->json('document'),
        ])->assertOk();
        // As they stood before revisions were packed.
        foreach (Revision::query()->get() as $revision) {
            DB::table('revisions')
                ->where('id', $revision->id)
                ->update(['document' => $revision->text(), 'packed' => null, 'base' => null]);
        }
        $texts = Revision::query()->orderBy('number')->pluck('document', 'number')->all();
        $this->getJson("/api/jobs/{$id}")
            ->assertOk()
            ->assertJsonPath('document.place', 'Elsewhere');
        $this->command('jobs:pack')->assertSuccessful();
        self::assertSame([null, null], Revision::query()->pluck('document')->all());
        self::assertSame([null, 1], Revision::query()->orderBy('number')->pluck('base')->all());
        foreach ($texts as $number => $text) {
            self::assertSame($text, Revision::numbered($id, $number)->text());
        }
        $this->postJson("/api/jobs/{$id}/undo", ['from' => 2])
            ->assertOk()
            ->assertJsonPath('document.place', $job->json('document.place'));
    }

    public function testAJobWhoseStateIsDamagedSaysSoAndHurtsNoOther(): void
    {
        $job = $this->actingAs($this->lead)
            ->postJson('/api/jobs', ['document' => self::demo()])
            ->assertCreated();
        $other = $this->postJson('/api/jobs', ['document' => self::demo()])->assertCreated();
        DB::table('revisions')
            ->where('job_id', $job->json('id'))
            ->update(['packed' => DB::raw("concat(left(packed, 40), 'x')")]);
        $this->getJson("/api/jobs/{$job->json('id')}")
            ->assertStatus(422)
            ->assertJsonPath('code', 'unreadable');
        $this->putJson("/api/jobs/{$job->json('id')}", [
            'from' => 1,
            'gesture' => 'g',
            'document' => $job->json('document'),
        ])
            ->assertStatus(422)
            ->assertJsonPath('code', 'unreadable');
        $this->getJson("/api/jobs/{$other->json('id')}")->assertOk();
        self::assertNotNull(self::job($job)->unreadable);
    }

    private function assertDamaged(string $packed, string $base): void
    {
        try {
            PackedText::unpack($packed, $base);
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertStringContainsString('What was stored', $bad->getMessage());
        }
    }
}
