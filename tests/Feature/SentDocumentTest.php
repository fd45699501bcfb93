<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\SentDocument;
use App\Models\Revision;
use Illuminate\Foundation\Testing\RefreshDatabase;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use Tests\TwoCrews;

/** A document may be sent as what differs from a revision of its job; where that cannot be, the asker is told. */
final class SentDocumentTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    private const TOWN = ['op' => 'replace', 'path' => '/place', 'value' => 'Élan Wharf 😀'];

    private string $id;

    /** @var array<string, mixed> */
    private array $document;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->id, $this->document] = $this->demoJob();
    }

    public function testItIsAnsweredAsIfTheWholeHadBeenSent(): void
    {
        $whole = ['place' => self::TOWN['value']] + $this->document;
        $answers = [];
        foreach ([['document' => $whole], ['document_of' => self::of([self::TOWN], $whole)]] as $sent) {
            $answers[] = $this->postJson('/api/evaluate', ['job' => $this->id, 'want' => ['job' => '']] + $sent)
                ->assertOk()
                ->json();
        }
        self::assertSame($answers[0], $answers[1]);
        $this->postJson('/api/hang', [
            'job' => $this->id,
            'run' => 'floor',
            'document_of' => self::of([], $this->document),
        ])->assertOk();
    }

    public function testItIsKeptOnceHoweverItIsSent(): void
    {
        $whole = ['place' => self::TOWN['value']] + $this->document;
        $edit = ['from' => 1, 'gesture' => 'g'];
        $key = ['Idempotency-Key' => 'key-of-edit'];
        $path = "/api/jobs/{$this->id}";
        $first = $this->putJson($path, $edit + ['document_of' => self::of([self::TOWN], $whole)], $key)->assertOk();
        $again = $this->putJson($path, $edit + ['document' => $whole], $key)->assertOk();
        self::assertSame($first->json(), $again->json());
        self::assertSame(2, Revision::query()->count());
        self::assertSame(self::TOWN['value'], $this->getJson($path)->json('document.place'));
    }

    /** @return iterable<string, array{array<string, mixed>}> what is other than in one that can be put together */
    public static function others(): iterable
    {
        yield 'it comes to something else' => [['sums' => ['leaves' => 1, 'letters' => 2, 'numbers' => 3]]];
        yield 'no such revision' => [['revision' => 9]];
        yield 'what does not fit' => [['patch' => [['op' => 'remove', 'path' => '/runs/99']]]];
        yield 'what makes much of little' => [['patch' => [['op' => 'copy', 'from' => '', 'path' => '/place']]]];
        yield 'no patch' => [['patch' => 'place']];
        yield 'no sums' => [['sums' => null]];
    }

    /** @param array<string, mixed> $other */
    #[DataProvider('others')]
    public function testItSaysWhereItIsNotKnownWhatIsMeant(array $other): void
    {
        $of = $other + self::of([self::TOWN], ['place' => self::TOWN['value']] + $this->document);
        $this->postJson('/api/evaluate', ['job' => $this->id, 'document_of' => $of])
            ->assertStatus(409)
            ->assertJsonPath('code', 'base-unknown');
    }

    public function testNobodySendsWhatDiffersFromAJobOfAnotherCrew(): void
    {
        $this->actingAs($this->stranger)
            ->postJson('/api/evaluate', ['job' => $this->id, 'document_of' => self::of([], $this->document)])
            ->assertStatus(409)
            ->assertExactJson([
                'message' => 'What this differs from is not known here: send the whole.',
                'code' => 'base-unknown',
            ]);
    }

    public function testTheSumsAreThoseOfTheBrowser(): void
    {
        self::assertSame(
            ['leaves' => 5, 'letters' => 5, 'numbers' => 8 - 3 + 1],
            SentDocument::sums(['a' => 'é😀', 'b' => [1, -0.3, true, null]]),
        );
    }

    /**
     * @param list<array<string, mixed>> $patch
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private static function of(array $patch, array $document): array
    {
        return ['revision' => 1, 'patch' => $patch, 'sums' => SentDocument::sums($document)];
    }
}
