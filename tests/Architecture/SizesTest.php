<?php

declare(strict_types=1);

namespace Tests\Architecture;

use FilesystemIterator;
use PhpToken;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/**
 * A method does one thing: it has at most 300 tokens and 4 arguments; constructors of values may take more. What is
 * larger
 * stands in a list with its reason. The list only becomes shorter: what is small enough by now has to leave it.
 */
final class SizesTest extends TestCase
{
    private const MOST_TOKENS = 300;

    private const MOST_ARGUMENTS = 4;

    public function testMethodsAreSmall(): void
    {
        [$long, $wide] = [[], []];
        foreach (['core/src', 'app'] as $folder) {
            foreach (self::methods(dirname(__DIR__, 2)."/{$folder}") as $name => [$tokens, $arguments]) {
                if ($tokens > self::MOST_TOKENS) {
                    $long[] = $name;
                }
                if ($arguments > self::MOST_ARGUMENTS && ! str_ends_with($name, '::__construct')) {
                    $wide[] = $name;
                }
            }
        }
        /** @var array{tokens: array<string, string>, arguments: array<string, string>} $larger */
        $larger = require __DIR__.'/larger-methods.php';
        self::assertNotContains('not parted yet', [...$larger['tokens'], ...$larger['arguments']], 'a reason for each');
        self::assertEqualsCanonicalizing(array_keys($larger['tokens']), $long, 'methods of more tokens');
        self::assertEqualsCanonicalizing(array_keys($larger['arguments']), $wide, 'methods of more arguments');
    }

    /** @return array<string, array{int, int}> tokens and arguments by class and method */
    private static function methods(string $folder): array
    {
        $methods = [];
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $class = str_replace('/', '\\', substr($file->getPathname(), strlen($folder) + 1, -4));
                foreach (self::measured((string) file_get_contents($file->getPathname())) as $name => $size) {
                    $methods["{$class}::{$name}"] = $size;
                }
            }
        }

        return $methods;
    }

    /** @return array<string, array{int, int}> by method */
    private static function measured(string $code): array
    {
        $all = PhpToken::tokenize($code);
        $tokens = array_values(array_filter($all, static fn (PhpToken $token): bool => ! $token->isIgnorable()));
        $methods = [];
        foreach ($tokens as $i => $token) {
            if (! $token->is(T_FUNCTION) || ! $tokens[$i + 1]->is(T_STRING)) {
                continue;
            }
            $end = self::closing($tokens, $i + 2, '(', ')');
            $between = array_slice($tokens, $i + 2, $end - $i - 2);
            $arguments = count(array_filter($between, static fn (PhpToken $one): bool => $one->is(T_VARIABLE)));
            while (! in_array($tokens[$end]->text, ['{', ';'], true)) {
                $end++;
            }
            $last = $tokens[$end]->text === '{' ? self::closing($tokens, $end, '{', '}') : $end;
            $methods[$tokens[$i + 1]->text] = [$last - $i + 1, $arguments];
        }

        return $methods;
    }

    /** @param list<PhpToken> $tokens */
    private static function closing(array $tokens, int $from, string $open, string $close): int
    {
        $depth = 0;
        for ($i = $from; ; $i++) {
            $isOpen =
                $tokens[$i]->text === $open ||
                ($open === '{' && $tokens[$i]->is([T_CURLY_OPEN, T_DOLLAR_OPEN_CURLY_BRACES]));
            $depth += $isOpen ? 1 : ($tokens[$i]->text === $close ? -1 : 0);
            if ($depth === 0) {
                return $i;
            }
        }
    }
}
