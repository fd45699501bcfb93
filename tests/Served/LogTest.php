<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Tests\Support\Served;

/** Two people who say at once what happened on site: each thing arrives once, in an order that is said. */
final class LogTest extends TestCase
{
    public function testFiveHundredEntriesOfTwoPeopleArriveOnceEach(): void
    {
        [$lead, $mate] = [Served::as('lead'), Served::as('apprentice')];
        // Whichever crew another test left them in: the job is of one that both are in.
        $crew = $mate->send('GET', '/api/session')->json()['crews'][0]['id'];
        $lead->send('POST', "/api/crews/{$crew}/choose");
        $document = json_decode(
            (string) file_get_contents(__DIR__.'/../../database/demo/mill-row-pottery.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $begun = $lead->send('POST', '/api/jobs', ['document' => $document, 'want' => (object) []]);
        $job = (string) $begun->json()['id'];
        $requests = [];
        for ($n = 0; $n < 500; $n++) {
            $who = $n % 2 === 0 ? $lead : $mate;
            $event = ['key' => sprintf('entry-%05d', $n), 'kind' => 'note', 'note' => "note {$n}"];
            $body = ['device' => 'phone', 'entries' => [$event + ['made_at' => 'then', 'age_s' => 0]]];
            $requests[] = [$who, ['POST', "/api/jobs/{$job}/log", $body]];
            // Every fifth gets no answer, as far as its phone knows, and is sent again.
            if ($n % 5 === 0) {
                $requests[] = [$who, ['POST', "/api/jobs/{$job}/log", $body]];
            }
        }
        foreach (Served::ofAll($requests, 8) as $answer) {
            self::assertSame(200, $answer->status, $answer->said());
        }
        $entries = $lead->send('GET', "/api/jobs/{$job}/log")->json()['entries'];
        self::assertSame(range(1, 500), array_column($entries, 'number'));
        self::assertCount(500, array_unique(array_column($entries, 'key')));
        self::assertEqualsCanonicalizing(
            array_map(static fn (int $n): string => "note {$n}", range(0, 499)),
            array_column($entries, 'note'),
        );
        $kept = array_column($entries, 'kept_at');
        $sorted = $kept;
        sort($sorted);
        self::assertSame($sorted, $kept, 'in the order in which they arrived');
        self::assertSame($entries, $mate->send('GET', "/api/jobs/{$job}/log")->json()['entries'], 'the same for both');
        $deleted = $lead->send('DELETE', "/api/jobs/{$job}");
        self::assertLessThan(500, $deleted->status);
    }
}
