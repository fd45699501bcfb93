<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Randomizer;

/**
 * Edits of a job as people make them, and some that nobody would, by chance: what comes out may be refused, but is
 * never half kept.
 */
final readonly class RandomEdits
{
    private const WAYS = ['on', 'ahead', 'back', 'left', 'right', 'up', 'down', 'north', 'east', 'south', 'west'];

    public function __construct(private Randomizer $chance) {}

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed> the same with one to three things changed
     */
    public function edited(array $document): array
    {
        for ($n = $this->chance->getInt(1, 3); $n > 0; $n--) {
            $document = match ($this->chance->getInt(0, 15)) {
                0 => $this->withoutRun($document),
                1 => $this->runAgain($document),
                2 => ['units' => $this->one(['inch', 'mm'])] + $document,
                3 => ['rulebook' => $this->one(['ipc-2021', 'upc-2021', 'irc-2021', 'npc-2020'])] + $document,
                4 => ['name' => 'Job '.$this->chance->getInt(1, 999)] + $document,
                5 => $this->hung($document),
                6 => ['obstacles' => array_slice($document['obstacles'] ?? [], 0, $this->chance->getInt(0, 3))] +
                    $document,
                default => $this->withRun($document, $this->editedRun(...)),
            };
        }

        return $document;
    }

    /** What somebody types after a run's legs. */
    public function phrase(): string
    {
        $length = $this->chance->getInt(4, 90);

        return $this->one([
            "left {$length}",
            "right {$length} 1/2",
            "right 45° {$length}",
            "down {$length}",
            "left 70° {$length}",
            'left 70°',
            "east {$length} fall 1/4",
            'banana',
            "up {$length}",
            "left {$length} with long sweep",
            "close left {$length}",
        ]);
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed> as a file that somebody mended by hand: its ledger of marks is not what it should be
     */
    public function ledgerTouched(array $document): array
    {
        return $this->withRun($document, function (array $run): array {
            $marks = $run['marks'] ?? ['pieces' => [], 'joints' => [], 'next_piece' => 0, 'next_joint' => 1];
            $pieces = (array) ($marks['pieces'] ?? []);
            $joints = (array) ($marks['joints'] ?? []);
            $marks = match ($this->chance->getInt(0, 4)) {
                0 => [
                    'pieces' => array_slice($pieces, 0, $this->chance->getInt(0, count($pieces)), true) ?: (object) [],
                ] + $marks,
                1 => ['next_piece' => count($pieces) + $this->chance->getInt(0, 3)] + $marks,
                2 => ['next_joint' => count($joints) + $this->chance->getInt(1, 4)] + $marks,
                3 => [
                    'joints' => array_slice($joints, $this->chance->getInt(0, count($joints)), null, true) ?: (object) [],
                ] + $marks,
                default => null,
            };

            return $marks === null ? array_diff_key($run, ['marks' => 1]) : ['marks' => $marks] + $run;
        });
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private function withoutRun(array $document): array
    {
        $runs = $document['runs'] ?? [];
        if (count($runs) > 2) {
            array_splice($runs, $this->chance->getInt(0, count($runs) - 1), 1);
        }

        return ['runs' => $runs] + $document;
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private function runAgain(array $document): array
    {
        $runs = $document['runs'] ?? [];
        if ($runs === [] || count($runs) > 25) {
            return $document;
        }
        $run = $this->one($runs);

        return ['runs' => [...$runs, ['id' => 'r'.$this->chance->getInt(1, 99_999)] + $run]] + $document;
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private function hung(array $document): array
    {
        $run = $this->one($document['runs'] ?? []);
        $hung = [['run' => $run['id'] ?? '', 'swing_c' => $this->chance->getInt(1, 130)]];

        return ['hanging' => $this->chance->getInt(0, 1) === 0 ? [] : $hung] + $document;
    }

    /**
     * @param array<string, mixed> $document
     * @param callable(array<string, mixed>): array<string, mixed> $edit
     * @return array<string, mixed>
     */
    private function withRun(array $document, callable $edit): array
    {
        $runs = $document['runs'] ?? [];
        if ($runs !== []) {
            $n = $this->chance->getInt(0, count($runs) - 1);
            $runs[$n] = $edit($runs[$n]);
        }

        return ['runs' => $runs] + $document;
    }

    /**
     * @param array<string, mixed> $run
     * @return array<string, mixed>
     */
    private function editedRun(array $run): array
    {
        $legs = $run['legs'] ?? [];
        $n = $legs === [] ? 0 : $this->chance->getInt(0, count($legs) - 1);
        $next = $run['next_leg'] ?? count($legs) + 1;
        $length = $this->chance->getInt(40, 3_000);
        switch ($this->chance->getInt(0, 11)) {
            case 0:
            case 1:
            case 2:
                array_splice($legs, $n, 0, [
                    ['id' => "l{$next}", 'way' => $this->one(self::WAYS), 'length_mm' => $length],
                ]);

                return ['legs' => $legs, 'next_leg' => $next + 1] + $run;
            case 3:
            case 4:
                array_splice($legs, $n, 1);

                return ['legs' => $legs] + $run;
            case 5:
                // The id of a leg that is gone, or of one that is there: told by somebody who does not keep count.
                $legs[] = [
                    'id' => 'l'.$this->chance->getInt(1, $next),
                    'way' => $this->one(self::WAYS),
                    'length_mm' => $length,
                ];

                return ['legs' => $legs] + $run;
            case 6:
                return ['legs' => $this->chance->shuffleArray($legs)] + $run;
            case 7:
                return ['heading_deg' => $this->one([0, 90, 180, 270])] + $run;
            case 8:
                return [
                    'size' => $this->one(
                        str_contains((string) ($run['system'] ?? ''), 'pvcu')
                            ? ['32', '40', '50', '110']
                            : ['1-1/2', '2', '3', '4'],
                    ),
                ] + $run;
            case 9:
                return ['name' => 'Run '.$this->chance->getInt(1, 99)] + $run;
            default:
                if ($legs !== [] && isset($legs[$n]['way'])) {
                    $legs[$n] = match ($this->chance->getInt(0, 4)) {
                        0 => ['way' => $this->one(self::WAYS)] + $legs[$n],
                        1 => ['turn_deg' => $this->chance->getInt(5, 120)] + $legs[$n],
                        2 => ['fitting' => ['patterns' => [$this->one(['quarter', 'long-sweep', 'eighth'])]]] +
                            $legs[$n],
                        default => ['length_mm' => $length] + array_diff_key($legs[$n], ['close' => 1, 'takes' => 1]),
                    };
                }

                return ['legs' => $legs] + $run;
        }
    }

    /**
     * @param non-empty-array<array-key, mixed> $of
     */
    private function one(array $of): mixed
    {
        return $of[$this->chance->pickArrayKeys($of, 1)[0]];
    }
}
