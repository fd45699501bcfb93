<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Tests\Support\Answer;
use Tests\Support\Served;

/** Members of a crew who write at the same moment wait for each other; nobody is answered with a failure. */
final class ConcurrentWritesTest extends TestCase
{
    public function testOwnNumbersPricesAndThresholdsAtOnce(): void
    {
        $lead = Served::as('lead');
        $requests = [];
        for ($n = 0; $n < 60; $n++) {
            $requests[] = [
                'POST',
                '/api/catalogue/own',
                [
                    'kind' => 'number',
                    'entry' => [
                        'table' => 'pvc-dwv-40',
                        'row' => $n % 2 === 0 ? 'eighth/1-1/2' : 'sixteenth/1-1/2',
                        'field' => 'take_off_mm',
                        'value' => 20 + $n / 10,
                    ],
                ],
            ];
            $requests[] = [
                'POST',
                '/api/catalogue/own',
                [
                    'kind' => 'threshold',
                    'entry' => [
                        'rulebook' => 'npc-2020',
                        'threshold' => $n % 2 === 0 ? 'vent.above-roof' : 'dead-end.most',
                        'value' => 600 + $n,
                    ],
                ],
            ];
            $requests[] = [
                'PUT',
                '/api/prices',
                [
                    'prices' => [
                        ['what' => 'odd thing '.$n % 3, 'size' => '', 'each' => $n],
                        ['what' => 'odd thing '.($n + 1) % 3, 'size' => '', 'each' => $n],
                    ],
                ],
            ];
        }
        $answers = $lead->together($requests, 6);
        $taken = array_filter($answers, static fn (Answer $answer): bool => in_array($answer->status, [200, 201], true));
        $failed = array_diff_key($answers, $taken);
        self::assertSame([], array_map(static fn (Answer $answer): string => $answer->said(), $failed));

        /** @var list<array{id: int, kind: string, entry: array<string, mixed>}> $own */
        $own = $lead->send('GET', '/api/catalogue/own')->json()['own'];
        $mine = array_filter(
            $own,
            static fn (array $entry): bool => in_array(
                $entry['entry']['row'] ?? ($entry['entry']['threshold'] ?? ''),
                ['eighth/1-1/2', 'sixteenth/1-1/2', 'vent.above-roof', 'dead-end.most'],
                true,
            ),
        );
        self::assertCount(4, $mine, 'one for each place');
        $back = array_map(
            static fn (array $entry): array => ['DELETE', "/api/catalogue/own/{$entry['id']}"],
            array_values($mine),
        );
        $gone = array_count_values(
            array_map(static fn (Answer $answer): int => $answer->status, $lead->together([...$back, ...$back], 6)),
        );
        ksort($gone);
        self::assertSame([204 => 4, 404 => 4], $gone, 'taken back once');
        foreach ($lead->send('GET', '/api/prices')->json()['prices'] as $price) {
            if (str_starts_with($price['what'], 'odd thing')) {
                $lead->send('DELETE', "/api/prices/{$price['id']}");
            }
        }
    }

    public function testQuestionsAreCalledOffWhileOthersEnd(): void
    {
        $lead = Served::as('lead');
        $input = [
            'stock' => [['length_mm' => 3048]],
            'kerf_mm' => 3,
            'parts' => [['tag' => 'A', 'length_mm' => 1000, 'count' => 5]],
        ];
        $requests = [];
        for ($n = 0; $n < 400; $n++) {
            $requests[] = ['POST', '/api/reckon/cut-stock', $input, ['Question-Key' => "question-{$n}"]];
            $requests[] = ['DELETE', '/api/questions/question-'.max(0, $n - 1)];
            $requests[] = ['DELETE', "/api/questions/question-{$n}"];
        }
        $statuses = array_count_values(
            array_map(static fn (Answer $answer): int => $answer->status, $lead->together($requests, 6)),
        );
        self::assertSame(800, $statuses[204] ?? 0, (string) json_encode($statuses));
        self::assertSame([], array_diff(array_keys($statuses), [200, 204, 429, 503]), 'it is answered, or called off');
        self::assertGreaterThan(0, $statuses[200] ?? 0);
    }
}
