<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

use FallBend\Core\Input\DataFile;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Units;
use LogicException;

/** Turns findings into sentences, from core/data/wording.json; see Phrasing for how they are filled. */
final class Wording
{
    /** @var array{rules: array<string, array<string, mixed>>, steps: array<string, string>}|null */
    private static ?array $file = null;

    private readonly Phrasing $phrasing;

    public function __construct(Units $units)
    {
        $this->phrasing = new Phrasing($units);
    }

    /** @return array{title: string, why: string, remedy: string} */
    public function sentences(Finding $finding): array
    {
        return array_map(
            fn (mixed $text): string => $this->phrasing->filled($text, $finding->params),
            self::template($finding->rule),
        );
    }

    /**
     * Gives the texts of a rule before they are filled: each a sentence, or sentences by condition.
     *
     * @return array{title: mixed, why: mixed, remedy: mixed}
     */
    public static function template(RuleId $rule): array
    {
        $texts =
            self::texts()[$rule->value] ??
            throw new LogicException("core/data/wording.json has no text for {$rule->value}");

        return ['title' => $texts['title'] ?? '', 'why' => $texts['why'] ?? '', 'remedy' => $texts['remedy'] ?? ''];
    }

    /** Gives the words of a step of work by its key. */
    public static function step(string $key): string
    {
        return self::file()['steps'][$key] ??
            throw new LogicException("core/data/wording.json has no words for the step {$key}");
    }

    /** @return list<string> the rules that have texts */
    public static function rules(): array
    {
        return array_keys(self::texts());
    }

    /** @return array<string, array<string, mixed>> */
    private static function texts(): array
    {
        return self::file()['rules'];
    }

    /** @return array{rules: array<string, array<string, mixed>>, steps: array<string, string>} */
    private static function file(): array
    {
        if (self::$file === null) {
            /** @var array{rules: array<string, array<string, mixed>>, steps: array<string, string>} $file */
            $file = DataFile::read('wording.json');
            self::$file = $file;
        }

        return self::$file;
    }
}
