<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules;

use FallBend\Core\Job\Job;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A rule speaks for the books that it was written for: no reason of one book is given under another. */
final class OwnGroundTest extends TestCase
{
    private const HOUSES = 300;

    /** How each book, and what is adopted beside it, is named in sources. */
    private const NAMES = [
        'ipc-2021' => '/\bIPC\b/',
        'irc-2021' => '/\bIRC\b/',
        'upc-2021' => '/\bUPC\b/',
        'npc-2020' => '/\bNPC\b|\bNBC\b/',
        'adh-2015' => '/\bAD H\b|Approved Document|\bBS\b|\bEN\b/',
    ];

    /** What stops a job whatever the book: pipe that cannot be laid, joined or known, a chord that is cut. */
    private const OF_GEOMETRY = '/^(?:run|leg|piece|fitting|joint|branch|fall|catalogue|network|loop|turn|'.
        'cement|drain|trap\.kind|head|miss|joist\.flange)\b/';

    private const FIXTURES = [
        'inch' => ['lavatory', 'bath', 'kitchen-sink', 'water-closet', 'floor-drain', 'urinal'],
        'mm' => ['lavatory', 'bath', 'kitchen-sink', 'water-closet', 'shower'],
    ];

    /** @return iterable<string, array{string}> */
    public static function books(): iterable
    {
        foreach (array_keys(self::NAMES) as $book) {
            yield $book => [$book];
        }
    }

    #[DataProvider('books')]
    public function testNoReasonIsOfAnotherBook(string $book): void
    {
        $random = new Randomizer(new Mt19937(18));
        $others = array_diff_key(self::NAMES, [$book => true]);
        [$foreign, $bare, $said] = [[], [], 0];
        for ($n = 0; $n < self::HOUSES; $n++) {
            foreach (CaseJob::evaluation(self::house($book, $random))['runs'] as $run) {
                foreach ($run['findings'] as $finding) {
                    $said++;
                    $source = $finding['source']['source'] ?? '';
                    $text = "{$finding['title']} {$finding['why']} {$finding['remedy']} {$source}";
                    $names = array_filter($others, static fn (string $name): bool => preg_match($name, $text) === 1);
                    if ($names !== []) {
                        $foreign["{$finding['rule']}: {$source}"] = true;
                    }
                    // The building code stands beside the plumbing code.
                    $isOwn = preg_match(self::NAMES[$book], $source) === 1 || preg_match('/\bIBC\b/', $source) === 1;
                    if ($finding['severity'] === 'stop' && ! $isOwn) {
                        $bare["{$finding['rule']}: {$source}"] = true;
                    }
                }
            }
        }
        $bare = array_filter(
            array_keys($bare),
            static fn (string $one): bool => preg_match(self::OF_GEOMETRY, $one) !== 1,
        );
        self::assertSame([], array_keys($foreign), 'no reason names another book');
        self::assertSame([], array_values($bare), 'every stop names a clause of its book, or is one of geometry');
        self::assertGreaterThan(self::HOUSES, $said);
    }

    /** A house as it comes: right and wrong, of one stack, a level line, fixtures on both, vents, things in the way. */
    private static function house(string $book, Randomizer $random): Job
    {
        $isInch = $book !== 'adh-2015';
        $pick = static fn (array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $fall = static fn (): string => $isInch
            ? 'fall '.$pick(['1/8', '1/4', '1/2', '1-1/4'])
            : 'fall '.$pick(['10', '20', '40', '90']).' mm/m';
        $soil = $isInch ? ['size' => $pick(['3', '4'])] : ['size' => '110', 'system' => 'pvcu-soil'];
        $legs = $isInch ? "down 240 / north 200 {$fall()}" : "down 6000 / north 5000 {$fall()}";
        $runs = ['stack' => ['roof', $legs, 'socket', $soil + ['use' => 'drain']]];
        $count = $random->getInt(2, 6);
        for ($i = 0; $i < $count; $i++) {
            $kind = $pick(self::FIXTURES[$isInch ? 'inch' : 'mm']);
            $isUpright = $random->getInt(0, 1) === 1;
            $way = $isUpright ? ['north', 'east', 'south', 'west'][$i % 4] : 'east';
            $long = $random->getInt(12, 150) * ($isInch ? 1 : 25);
            $small = ['size' => $pick($isInch ? ['1-1/2', '2', '3'] : ['32', '40', '50'])];
            $id = 'abcdefgh'[$i];
            $runs[$id] = [
                $kind.($random->getInt(0, 1) === 1 ? ' group=a' : ''),
                "{$way} {$long} {$fall()}",
                $isUpright ? 'stack 1 '.(800 + 550 * $i) : 'stack 2 '.(600 + 500 * $i),
                $kind === 'water-closet' ? ($isInch ? ['size' => '3'] : $soil) : $small,
            ];
            if ($random->getInt(0, 2) === 0) {
                $runs["v{$id}"] = [
                    "vent off {$id} 1 250",
                    $isInch ? 'up 60' : 'up 1500',
                    $pick(['roof', 'valve']),
                    ['size' => $isInch ? '1-1/2' : '32'],
                ];
            }
        }
        $obstacles = [];
        if ($random->getInt(0, 1) === 1) {
            $obstacles[] = ['run' => 'stack', 'leg' => 'l2', 'at_mm' => 300, 'count' => 2, 'every_mm' => 400] + [
                'kind' => $pick(['joist', 'stud', 'joist-engineered', 'plate']),
                'what' => 'timber',
                'depth_mm' => 235,
                'top_mm' => 100,
                'thick_mm' => 38,
                'span_mm' => 3600,
                'bearing_mm' => 900,
                'cut' => $pick(['hole', 'notch']),
            ];
        }

        return CaseJob::of($book, $runs, $obstacles);
    }
}
