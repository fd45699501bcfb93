<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** The direction of dependence: interface, application, core; and what the core may never touch. */
final class LayersTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    /** @return iterable<string, array{string}> */
    public static function coreFiles(): iterable
    {
        foreach (self::files('core/src', 'php') as $path) {
            yield substr($path, strlen(self::ROOT) + 1) => [$path];
        }
    }

    #[DataProvider('coreFiles')]
    public function testTheCoreKnowsOnlyItselfAndPhp(string $path): void
    {
        $code = (string) file_get_contents($path);
        preg_match_all(
            '/^use (?:function |const )?\\\\?(\w+)(\\\\)?/m',
            $code,
            $found,
            PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL,
        );
        foreach ($found as [, $first, $more]) {
            // A name without a backslash is a class of PHP itself.
            self::assertTrue($first === 'FallBend' || $more === null, "uses {$first}");
        }
        self::assertDoesNotMatchRegularExpression(
            '/(?<![\w>:$])(?:config|app|env|request|now|time|microtime|date|rand|mt_rand|random_int|random_bytes|uniqid|getenv|curl_\w+|fopen|file_put_contents)\(/',
            $code,
            'no framework, clock, chance or writing',
        );
        self::assertDoesNotMatchRegularExpression(
            '/\\\\(?:Illuminate|Symfony|App)\\\\|new DateTime|\$_(?:SERVER|ENV|GET|POST)/',
            $code,
        );
    }

    #[DataProvider('coreFiles')]
    public function testEveryClassOfTheCoreIsFinalStrictAndDescribed(string $path): void
    {
        $code = (string) file_get_contents($path);
        self::assertStringContainsString('declare(strict_types=1);', $code);
        self::assertMatchesRegularExpression(
            '~\*/\n(?:final |enum |interface |trait )~',
            $code,
            'a docblock stands before the type',
        );
    }

    /** What a method takes and gives stands before it; one that an interface promises is described there. */
    #[DataProvider('coreFiles')]
    public function testEveryPublicMethodOfTheCoreIsDescribed(string $path): void
    {
        $code = (string) file_get_contents($path);
        preg_match_all('~^(?<before>.*)\n +public (?:static )?function (?<name>\w+)~m', $code, $found, PREG_SET_ORDER);
        $promised =
            preg_match(
                '/^final (?:readonly )?class \w+ implements '.
                    '(?:Rule|NetworkRule|Reckoner|WayOfJoining|VentWay|DrainWay)$/m',
                $code,
            ) === 1
                ? ['judge', 'name', 'summary', 'reckon', 'consider', 'method', 'missing']
                : [];
        foreach ($found as ['before' => $before, 'name' => $name]) {
            if ($name !== '__construct' && ! in_array($name, $promised, true)) {
                self::assertStringEndsWith('*/', $before, $name);
            }
        }
        $this->addToAssertionCount(1);
    }

    /**
     * The analysis holds imports against the floors (CoreFloors): a folder that is not among them would not be looked
     * at.
     */
    public function testEveryFolderOfTheCoreIsAFloor(): void
    {
        $folders = array_map(
            static fn (string $path): string => basename($path),
            glob(self::ROOT.'/core/src/*', GLOB_ONLYDIR) ?: [],
        );
        self::assertEqualsCanonicalizing(CoreFloors::FLOORS, $folders);
        $analysis = (string) file_get_contents(self::ROOT.'/phpstan.neon');
        self::assertStringContainsString('phpat/extension.neon', $analysis);
        self::assertStringContainsString('class: '.CoreFloors::class, $analysis);
    }

    public function testTheCoreRequiresPhpAlone(): void
    {
        /** @var array{require: array<string, string>} $composer */
        $composer = json_decode(
            (string) file_get_contents(self::ROOT.'/core/composer.json'),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        foreach (array_keys($composer['require']) as $package) {
            self::assertMatchesRegularExpression('/^(?:php|ext-\w+)$/', $package);
        }
    }

    /**
     * The browser shows and formats: trigonometry of the job belongs to the core; the drawings only place it on the
     * screen.
     */
    public function testTheInterfaceReckonsNothingOfTheJob(): void
    {
        foreach (
            [...self::files('resources/js/features', 'tsx'), ...self::files('resources/js/features', 'ts')] as $path
        ) {
            self::assertDoesNotMatchRegularExpression(
                '/Math\.(?:sin|cos|tan|asin|acos|atan2?)\(/',
                (string) file_get_contents($path),
                $path,
            );
        }
    }

    public function testFeaturesAreEnteredByTheirDoor(): void
    {
        foreach ([...self::files('resources/js/app', 'tsx')] as $path) {
            self::assertDoesNotMatchRegularExpression('~features/\w+/\w~', (string) file_get_contents($path), $path);
        }
    }

    /** @return list<string> */
    private static function files(string $folder, string $ending): array
    {
        $paths = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(self::ROOT.'/'.$folder)) as $file) {
            if ($file instanceof \SplFileInfo && $file->isFile() && $file->getExtension() === $ending) {
                $paths[] = $file->getPathname();
            }
        }
        sort($paths);

        return $paths;
    }
}
