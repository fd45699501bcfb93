<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;
use Tests\TwoCrews;

/** Tasks that a job can begin with, over HTTP. */
final class StartsApiTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testWhatIsAnsweredBecomesAJobThatIsKept(): void
    {
        $this->actingAs($this->lead);
        $list = $this->getJson('/api/starts')->assertOk();
        self::assertContains('iron-out', array_column((array) $list->json('starts'), 'id'));
        // Each is offered with the rulebooks that it takes, and no other.
        foreach ((array) $list->json('starts') as $start) {
            foreach (array_column($start['rulebooks'], 'key') as $book) {
                $asked = ['values' => (object) [], 'name' => 'x', 'rulebook' => $book];
                $this->postJson("/api/starts/{$start['id']}", $asked)->assertOk();
            }
        }
        $books = array_column((array) $list->json('starts'), 'rulebooks', 'id');
        self::assertSame(['adh-2015'], array_column($books['uk-waste'], 'key'));
        self::assertContains('npc-2020', array_column($books['tub'], 'key'));

        $made = $this->postJson('/api/starts/iron-out', [
            'values' => ['gap' => "6' 2"],
            'name' => 'Cracked stack',
            'rulebook' => 'upc-2021',
        ])->assertOk();
        self::assertShape('StartAnswer', (string) json_encode(json_decode((string) $made->getContent())->answer));
        // 74 in between the cuts, less the ridges of two sleeves, 1/8 in each.
        self::assertSame(['new length: cut 1A 73 3/4 in'], $made->json('answer.says'));

        $kept = $this->postJson('/api/jobs', ['document' => $made->json('document')])->assertStatus(201);
        self::assertSame('Cracked stack', $kept->json('name'));
        self::assertSame(['The iron above', 'The iron below'], array_column($kept->json('document.standing'), 'name'));
        self::assertSame('1A', $kept->json('evaluation.runs.0.pieces.0.letter'));
    }

    public function testWhatIsWrongIsSaidAtItsField(): void
    {
        $this->actingAs($this->lead);
        $ask = fn (string $start, array $values, string $book): mixed => $this->postJson("/api/starts/{$start}", [
            'values' => $values,
            'name' => 'x',
            'rulebook' => $book,
        ]);
        $wrong = $ask('iron-out', ['gap' => 'a while'], 'upc-2021')->assertOk();
        self::assertSame(['gap'], array_keys((array) $wrong->json('answer.problems')));
        self::assertNull($wrong->json('document'));
        self::assertStringContainsString('"problems":{}', (string) $ask('iron-out', [], 'upc-2021')->getContent());
        $ask('iron-out', [], 'adh-2015')->assertStatus(422)->assertJsonPath('code', 'bad-input');
        $ask('no-such-start', [], 'upc-2021')->assertNotFound();
    }

    public function testNobodyIsAnsweredWhoIsNotSignedIn(): void
    {
        $this->getJson('/api/starts')->assertUnauthorized();
        $this->postJson('/api/starts/joint', ['values' => [], 'name' => 'x', 'rulebook' => 'upc-2021'])
            ->assertUnauthorized();
    }
}
