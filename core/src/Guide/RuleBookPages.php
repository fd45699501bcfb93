<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Wording;

/**
 * Writes the rules as a book: a page for each with why it is there, its picture, what it says, and every threshold by
 * rulebook with its source. All of it comes from the data.
 */
final readonly class RuleBookPages
{
    /** @var list<Rulebook> */
    private array $books;

    public function __construct(Catalogue $catalogue)
    {
        $this->books = array_map($catalogue->rulebook(...), $catalogue->rulebookKeys());
    }

    /** @return array<string, string> text by file name */
    public function files(): array
    {
        $files = [
            'README.md' => $this->contents(),
            'sentences.md' => SpecimenPage::text(),
            'coverage.md' => Coverage::page($this->books),
        ];
        foreach (RulePage::all() as $page) {
            $files["{$page->id}.md"] = $this->page($page);
            $files["{$page->id}.svg"] = PagePicture::draw($page);
        }

        return $files;
    }

    private function contents(): string
    {
        $text =
            "# Rules and their thresholds\n\nWritten by `php artisan rules:pages` from `core/data/rule-pages.json`, `core/data/wording.json` and `core/data/rulebooks/`. Do not edit here.\n".
            "The product advises; the local code and licensed practice decide. A threshold of low confidence is to be checked against the book before anyone rests on it.\n\n";
        foreach (RulePage::all() as $page) {
            $text .= "- [{$page->title}]({$page->id}.md)\n";
        }
        $text .= "\n[Every sentence that can be said of a finding](sentences.md).\n";
        $text .= "[What is judged of each book, clause by clause](coverage.md).\n";
        $text .= "\n| rulebook | style | thresholds | usual pipe where nobody says |\n|---|---|---|---|\n";
        foreach ($this->books as $book) {
            $usual = $book->usual->isApart()
                ? "`{$book->usual->soilSystem}`, `{$book->usual->system}`"
                : "`{$book->usual->system}`";
            $text .=
                "| {$book->name} | {$book->style} | ".
                count($book->thresholds()).
                " | {$usual}, drain {$book->usual->drainSize}, vent up to {$book->usual->ventSizeMost}: {$book->usual->provenance->source} |\n";
        }

        return $text;
    }

    private function page(RulePage $page): string
    {
        $text = "# {$page->title}\n\n{$page->why}\n\n![{$page->wrong->said}; {$page->right->said}]({$page->id}.svg)\n\n## What it says\n\n| verdict | title | why | what to do |\n|---|---|---|---|\n";
        foreach ($page->rules as $rule) {
            $words = Wording::template(RuleId::from($rule));
            $text .=
                "| `{$rule}` | ".
                implode(' | ', array_map(self::variants(...), [$words['title'], $words['why'], $words['remedy']])).
                " |\n";
        }
        if ($page->topics === []) {
            return $text."\nIt is geometry, or rests on the parts in hand: no rulebook has a number for it.\n";
        }
        foreach ($page->topics as $topic) {
            $text .= "\n## {$topic}\n\n| rulebook | for | threshold | source | confidence |\n|---|---|---|---|---|\n";
            foreach ($this->books as $book) {
                $rows = $book->topic($topic);
                $text .=
                    $rows === []
                        ? "| {$book->name} | – | none | – | – |\n"
                        : implode('', array_map(static fn (Threshold $row): string => self::row($book, $row), $rows));
            }
        }

        return $text;
    }

    private static function row(Rulebook $book, Threshold $row): string
    {
        $source = $row->provenance;
        $note = $source->note === '' ? '' : ' '.$source->note;

        return "| {$book->name} | ".
            self::for($row).
            ' | '.
            self::value($row).
            " | {$source->source}.{$note} | {$source->confidence}, {$source->status} |\n";
    }

    private static function for(Threshold $row): string
    {
        $for = [
            ...$row->sizes,
            ...$row->systems,
            ...array_map(static fn (string $fixture): string => str_replace('-', ' ', $fixture), $row->fixtures),
        ];
        if ($row->pattern !== null) {
            $for[] = str_replace('-', ' ', $row->pattern).', '.str_replace('-', ' to ', (string) $row->orientation);
        }
        if ($row->fallMmPerM !== null) {
            $for[] = 'at '.self::number($row->fallMmPerM).' mm/m';
        }
        if ($row->lengthMm !== null) {
            $for[] = 'up to '.self::number($row->lengthMm).' mm';
        }

        return $for === [] ? 'all' : implode(', ', $for);
    }

    private static function value(Threshold $row): string
    {
        if ($row->verdict !== null) {
            return str_replace('-', ' ', $row->verdict).($row->upToSize === null ? '' : " (up to {$row->upToSize})");
        }
        if ($row->value === null) {
            return 'not known';
        }

        return match ($row->unit) {
            'yes_no' => $row->value >= 1 ? 'yes' : 'no',
            'mm', 'nominal_mm' => self::number($row->value).' mm ('.self::number($row->value / 25.4).' in)',
            'mm_per_m' => self::number($row->value).' mm/m ('.self::number(($row->value * 12) / 1000).' in/ft)',
            'c' => self::number($row->value).' °C',
            'deg' => self::number($row->value).'°',
            'l_per_s' => self::number($row->value).' l/s',
            'm_per_s' => self::number($row->value).' m/s',
            default => self::number($row->value).' '.str_replace('_', ' ', $row->unit),
        }.($row->byApproval === null ? '' : ', by approval '.self::number($row->byApproval));
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }

    /** Sentences with the names of their numbers; where there are several, each on its own line. */
    private static function variants(mixed $text): string
    {
        $all = array_filter(is_array($text) ? array_values($text) : [$text], is_string(...));
        $plain = array_map(
            static fn (string $one): string => (string) preg_replace_callback(
                '/\{(\w+)(?:\+unit)?\}/',
                static fn (array $m): string => '*'.
                    strtr($m[1], [
                        '_atleast_mm' => '',
                        '_od_mm' => '',
                        '_mm_per_m' => '',
                        '_mm' => '',
                        '_deg' => '',
                        '_c' => '',
                        '_' => ' ',
                    ]).
                    '*',
                $one,
            ),
            $all,
        );

        return implode('<br>', $plain);
    }
}
