<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\Units;
use LogicException;

/**
 * Turns findings into sentences, from core/data/wording.json. Placeholders name a parameter; its unit, from its name, decides how it is said.
 * A text may have variants, chosen by the first of its conditions `parameter=value` or `parameter` (is given) that holds.
 */
final class Wording
{
    /** @var array<string, array<string, mixed>>|null */
    private static ?array $texts = null;

    public function __construct(private readonly Units $units) {}

    /** @return array{title: string, why: string, remedy: string} */
    public function of(Finding $finding): array
    {
        $texts = self::texts()[$finding->rule] ?? throw new LogicException("core/data/wording.json has no text for {$finding->rule}");

        return [
            'title' => $this->filled($texts['title'] ?? '', $finding->params),
            'why' => $this->filled($texts['why'] ?? '', $finding->params),
            'remedy' => $this->filled($texts['remedy'] ?? '', $finding->params),
        ];
    }

    /** @return list<string> the rules that have texts */
    public static function rules(): array
    {
        return array_keys(self::texts());
    }

    /** @param  array<string, float|int|string>  $params */
    private function filled(mixed $text, array $params): string
    {
        if (is_array($text)) {
            $text = self::variant($text, $params);
        }

        return (string) preg_replace_callback('/\{(\w+)\}/', function (array $m) use ($params): string {
            return $this->said($m[1], $params[$m[1]] ?? throw new LogicException("no parameter {$m[1]}"));
        }, is_string($text) ? $text : '');
    }

    /**
     * @param array<array-key, mixed> $variants
     * @param array<string, float|int|string> $params
     */
    private static function variant(array $variants, array $params): mixed
    {
        foreach ($variants as $condition => $text) {
            [$key, $value] = array_pad(explode('=', (string) $condition, 2), 2, null);
            if ($key === 'else' || (isset($params[$key]) && ($value === null || (string) $params[$key] === $value))) {
                return $text;
            }
        }

        return '';
    }

    private function said(string $name, float|int|string $value): string
    {
        return match (true) {
            is_string($value) => $value,
            str_ends_with($name, '_mm_per_m') => Fall::mmPerM((float) $value)->said($this->units),
            // What is needed at least is rounded up to the next mark.
            str_ends_with($name, '_atleast_mm') => TapePrinter::withUnit(self::up((float) $value, $this->units), $this->units),
            str_ends_with($name, '_mm') => TapePrinter::withUnit(Length::mm((float) $value), $this->units),
            str_ends_with($name, '_deg') => rtrim(rtrim(number_format((float) $value, 2, '.', ''), '0'), '.').'°',
            default => (string) $value,
        };
    }

    private static function up(float $mm, Units $units): Length
    {
        $mark = $units->markNm();

        return Length::nm((int) ceil($mm * Length::NM_PER_MM / $mark - 1e-6) * $mark);
    }

    /** @return array<string, array<string, mixed>> */
    private static function texts(): array
    {
        if (self::$texts === null) {
            /** @var array{rules: array<string, array<string, mixed>>} $file */
            $file = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/wording.json'), true, 16, JSON_THROW_ON_ERROR);
            self::$texts = $file['rules'];
        }

        return self::$texts;
    }
}
