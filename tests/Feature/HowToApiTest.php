<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;
use Tests\TwoCrews;

/** How things are done, over HTTP. */
final class HowToApiTest extends TestCase
{
    use RefreshDatabase;
    use TwoCrews;

    public function testAllOfThemAreListedInTheUnitsThatAreAskedFor(): void
    {
        $this->getJson('/api/how-to')->assertUnauthorized();
        $inch = $this->actingAs($this->lead)->getJson('/api/how-to')->assertOk();
        $mm = $this->getJson('/api/how-to?units=mm')->assertOk();
        self::assertShape('HowTo', (string) json_encode($inch->json('how_to.0')));
        self::assertContains('tub-waste', array_column((array) $inch->json('how_to'), 'id'));
        $start = static fn (mixed $all): array => array_column(
            (array) collect((array) $all)->keyBy('id')['bedding']['fields'],
            'start',
            'id',
        );
        self::assertSame(['4', '102'], [$start($inch->json('how_to'))['bed'], $start($mm->json('how_to'))['bed']]);
        $this->getJson('/api/how-to?units=ells')->assertStatus(422);
    }

    public function testAnAnswerFollowsFromWhatWasMeasured(): void
    {
        $this->actingAs($this->lead);
        $asked = $this->postJson('/api/how-to/bedding', ['values' => ['cover' => '900'], 'units' => 'mm'])->assertOk();
        self::assertShape('HowToAnswer', (string) $asked->getContent());
        // 900 and 114 and 102.
        self::assertSame('1116 mm', $asked->json('lengths.1.length'));
        $this->postJson('/api/how-to/bedding', ['values' => ['cover' => 'deep'], 'units' => 'mm'])
            ->assertOk()
            ->assertJsonCount(0, 'lengths')
            ->assertJsonStructure(['problems' => ['cover']]);
        $this->postJson('/api/how-to/nothing', ['values' => [], 'units' => 'mm'])->assertNotFound();
        $this->postJson('/api/how-to/bedding', ['values' => []])->assertStatus(422);
    }
}
