<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Wording;

/** Prints every sentence that can be said of a finding, in both units, with numbers and names made up for it. */
final readonly class SpecimenPage
{
    /** What a placeholder stands for, where its unit does not say it. */
    private const SAMPLES = [
        'size' => '3',
        'sizes' => '1-1/2, 2',
        'up_to' => '2',
        'count' => 4,
        'pieces' => 4,
        'percent' => 40,
        'fitting' => 'long-sweep 90',
        'book' => 'UPC 2021',
        'run' => 'Flat stack',
        'tie_in' => 'the wye on the clay line',
        'joint' => '7.3',
        'joints' => '7.3, 7.4',
        'piece' => '7A',
        'leg' => 2,
    ];

    /** What a number of a unit is, by the end of its name. */
    private const NUMBERS = ['_mm_per_m' => 10.4, '_od_mm' => 60.3, '_mm' => 123.8, '_deg' => 45.0, '_c' => 4.0];

    /** Gives the page, in Markdown. */
    public static function text(): string
    {
        $text =
            "# Every sentence about a finding\n\nWritten by `php artisan rules:pages` from `core/data/wording.json`, ".
            "with numbers and names made up. Do not edit here.\nThe question to each: what do I do now, with what in ".
            "my hand?\n";
        foreach (Wording::rules() as $rule) {
            $words = Wording::template(RuleId::from($rule));
            $text .= "\n## {$rule}\n\n";
            foreach (['title' => '**%s**', 'why' => '%s', 'remedy' => '*%s*'] as $part => $shape) {
                foreach (self::sentences($words[$part]) as $condition => $sentences) {
                    $said = implode(' / ', array_unique($sentences));
                    $text .= '- '.($condition === '' ? '' : "`{$condition}` ").sprintf($shape, $said)."\n";
                }
            }
        }

        return $text;
    }

    /** @return array<string, list<string>> in inches and in millimetres, by the condition that it is said under */
    private static function sentences(mixed $text): array
    {
        $sentences = [];
        foreach (is_array($text) ? $text : ['' => $text] as $condition => $template) {
            $template = is_string($template) ? $template : '';
            $params = self::params($template);
            foreach ([Units::Inch, Units::Millimetre] as $units) {
                $sentences[(string) $condition][] = (new Phrasing($units))->filled($template, $params);
            }
        }

        return $sentences;
    }

    /** @return array<string, float|int|string> what a template speaks of, made up */
    private static function params(string $template): array
    {
        preg_match_all('/\{(\w+)(?:\+unit)?\}/', $template, $m);
        $params = [];
        foreach ($m[1] as $n => $name) {
            $params[$name] = self::sample($name, $n);
        }

        return $params;
    }

    /** @param int $n the how manieth of its sentence: two lengths are not the same */
    private static function sample(string $name, int $n): float|int|string
    {
        if (isset(self::SAMPLES[$name])) {
            return self::SAMPLES[$name];
        }
        foreach (self::NUMBERS as $end => $number) {
            if (str_ends_with($name, $end)) {
                return $number * (1 + $n / 4);
            }
        }

        return '‹'.str_replace('_', ' ', $name).'›';
    }
}
