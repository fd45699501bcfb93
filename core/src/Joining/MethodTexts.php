<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/**
 * What is said of the methods: names, steps, and why one is refused; from core/data/joining.
 *
 * @phpstan-type MethodStep array{
 *     id: string,
 *     do: string,
 *     say: string,
 *     tools?: list<string>,
 *     caution?: string,
 *     when?: string,
 * }
 * @phpstan-type MethodTrouble array{what: value-of<TroubleKind>, now?: string, then: string, act: value-of<Mending>}
 * @phpstan-type MethodText array{
 *     key: string,
 *     name: string,
 *     maker_name: string,
 *     family: string,
 *     say: string,
 *     first_water: value-of<self::FIRST_WATER>,
 *     opens: bool,
 *     wants: string,
 *     end: string,
 *     steps: list<MethodStep>,
 *     check: string,
 *     troubles: list<MethodTrouble>,
 * }
 */
final class MethodTexts
{
    /** When water may run through a joint first. */
    public const FIRST_WATER = ['at-once', 'after-cure', 'when-packed'];

    /** @var array<string, MethodText> */
    private static array $methods = [];

    /** @var array<string, string>|null */
    private static ?array $refusals = null;

    /** @return MethodText */
    public static function text(Method $method): array
    {
        if (! isset(self::$methods[$method->value])) {
            /** @var MethodText $file */
            $file = self::decoded("methods/{$method->value}.json");
            self::$methods[$method->value] = $file;
        }

        return self::$methods[$method->value];
    }

    /** Gives where the steps of a method come from. */
    public static function source(Method $method): Provenance
    {
        return Provenance::read(Fields::of(['id' => $method->value] + self::text($method)), 'methods');
    }

    /** Gives the sentence of a reason, with its placeholders. */
    public static function refusal(string $reason): string
    {
        if (self::$refusals === null) {
            /** @var array{texts: array<string, string>} $file */
            $file = self::decoded('refusals.json');
            self::$refusals = $file['texts'];
        }

        return self::$refusals[$reason] ??
            throw new \LogicException("core/data/joining/refusals.json has no {$reason}");
    }

    private static function decoded(string $name): mixed
    {
        return DataFile::read("joining/{$name}");
    }
}
