<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Wording;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Every file of core/data keeps its schema, can be read, and agrees with the others. */
final class DataFilesTest extends TestCase
{
    private const DATA = __DIR__.'/../../data';

    /** @return iterable<string, array{string, string}> file, schema */
    public static function files(): iterable
    {
        foreach (
            [
                'catalogue/*' => 'catalogue-system',
                'rulebooks/*' => 'rulebook',
                'assumptions' => 'assumptions',
                'materials' => 'materials',
                'fitting-lengths' => 'fitting-lengths',
                'rule-pages' => 'rule-pages',
                'parts/lookalikes' => 'lookalikes',
                'parts/ends' => 'ends',
                'joining/methods/*' => 'method',
                'parts/{couplings,gaskets,adapters,lubricants,traps,clips,patterns}' => 'parts',
            ] as $pattern => $schema
        ) {
            foreach (glob(self::DATA."/{$pattern}.json", GLOB_BRACE) ?: [] as $path) {
                yield basename($path) => [$path, self::DATA."/schemas/{$schema}.json"];
            }
        }
    }

    #[DataProvider('files')]
    public function testKeepsItsSchema(string $path, string $schema): void
    {
        $result = (new Validator)->validate(
            json_decode((string) file_get_contents($path)),
            (string) file_get_contents($schema),
        );
        $error = $result->error();
        self::assertNull(
            $error,
            $error === null ? '' : json_encode((new ErrorFormatter)->format($error), JSON_THROW_ON_ERROR),
        );
    }

    public function testEverySystemAndRulebookCanBeRead(): void
    {
        $catalogue = Catalogue::shipped();
        self::assertCount(23, $catalogue->systemKeys());
        self::assertSame(['adh-2015', 'ipc-2021', 'irc-2021', 'npc-2020', 'upc-2021'], $catalogue->rulebookKeys());
        self::assertNotEmpty($catalogue->parts()->couplingsOf('shielded-transition'));
        foreach ($catalogue->systemKeys() as $key) {
            self::assertNotSame([], $catalogue->system($key)->sizes(), $key);
        }
        foreach (['pvc-dwv-40', 'pvc-cellular-40', 'abs-dwv-40', 'abs-cellular-40'] as $key) {
            $system = $catalogue->system($key);
            foreach ($system->sizes(withBends: true) as $size) {
                // A sixth is made from 1-1/2 to 4 in.
                $bends = in_array($size, ['1-1/4', '6', '8'], true) ? 4 : 5;
                self::assertCount($bends, $system->plainBends($size), $size);
                self::assertNotNull($system->coupling($size));
                foreach ($system->plainBends($size) as $bend) {
                    $street = $system->bend($bend->pattern, $size, true);
                    self::assertEqualsWithDelta(
                        $bend->takeOffMm + $system->pipe($size)->socketDepthMm,
                        $street?->spigotMm,
                        0.001,
                        "spigot of street {$bend->id}",
                    );
                }
                foreach (['ipc-2021', 'irc-2021', 'npc-2020', 'upc-2021'] as $book) {
                    self::assertNotNull($catalogue->rulebook($book)->forSize('fall.least', $size)?->value);
                }
            }
        }
    }

    /** c + R tan(turn/2) with R = (q − e)/0.58579, c = q − R: the derived take-offs are what their note says. */
    public function testDerivedTakeOffsFollowTheirFormula(): void
    {
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        foreach (['1-1/2', '2', '3', '4'] as $size) {
            $take = static fn (string $pattern): float => $system->bend($pattern, $size, false)->takeOffMm ?? NAN;
            $radius = ($take('quarter') - $take('eighth')) / 0.58579;
            $c = $take('quarter') - $radius;
            self::assertEqualsWithDelta($c + $radius * tan(deg2rad(11.25)), $take('sixteenth'), 0.01);
            self::assertEqualsWithDelta($c + $radius * tan(deg2rad(30)), $take('sixth'), 0.01);
            self::assertEqualsWithDelta($c + 1.5 * $radius, $take('long-sweep'), 0.01);
        }
    }

    public function testEveryVerdictHasItsWords(): void
    {
        $ids = array_column(RuleId::cases(), 'value');
        self::assertSame([], array_values(array_diff($ids, Wording::rules())), 'verdicts without words');
        self::assertSame([], array_values(array_diff(Wording::rules(), $ids)), 'words without a verdict');
    }

    public function testTheIdOfEveryPipeSaysThatItIsOne(): void
    {
        foreach (Catalogue::shipped()->systemKeys() as $key) {
            foreach (Catalogue::shipped()->table($key) as $group => $rows) {
                foreach (is_array($rows) && array_is_list($rows) ? array_column($rows, 'id') : [] as $id) {
                    // Catalogue::with rests on it: what a coupling takes follows the pipes alone.
                    self::assertSame($group === 'pipes', str_starts_with((string) $id, 'pipe/'), "{$key} {$id}");
                }
            }
        }
    }

    /** A rule may rest on numbers beside the one that it is about: a book that has that one has these too. */
    public function testEveryBookHasTheNumbersThatRulesRestOn(): void
    {
        $with = [
            'shield.past-least' => 'shield.edge-least',
            'shield.gauge' => 'shield.edge-least',
            'cleanout.turn-span' => 'cleanout.turn-most',
        ];
        $asked = [];
        $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/src'));
        foreach ($files as $file) {
            self::assertInstanceOf(SplFileInfo::class, $file);
            $code = $file->isFile() ? (string) file_get_contents($file->getPathname()) : '';
            preg_match_all("/book->number\\('([^']+)'\\)/", $code, $found);
            array_push($asked, ...$found[1]);
        }
        self::assertContains('storey.height', $asked);
        foreach (Catalogue::shipped()->rulebookKeys() as $key) {
            $book = Catalogue::shipped()->rulebook($key);
            foreach (array_unique($asked) as $id) {
                $isNeeded = ! isset($with[$id]) || $book->limit($with[$id])?->value !== null;
                self::assertTrue(! $isNeeded || $book->number($id) >= 0.0, "{$key} {$id}");
            }
        }
    }
}
