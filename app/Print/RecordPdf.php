<?php

declare(strict_types=1);

namespace App\Print;

use DateTimeImmutable;
use FallBend\Core\Drawing\LineDrawing;
use FallBend\Core\Recording\JobRecord;
use FallBend\Core\Recording\RecordedJoints;
use FallBend\Core\Recording\RecordedRuns;

/**
 * Prints the record of a job: who and when, what was tested, every joint, what differs, what stays within reach, who
 * stands for it; after it the photographs, and each run from above, along its length and
 * isometric.
 *
 * @phpstan-import-type WrittenRecord from JobRecord
 * @phpstan-import-type RecordedRun from RecordedRuns
 * @phpstan-import-type RecordedJoint from RecordedJoints
 * @phpstan-import-type RecordedPicture from RecordedJoints
 */
final class RecordPdf
{
    /** Where the columns of the joints begin: number, what it joins, how, when and who, what was seen. */
    private const COLUMNS = [0.0, 10.0, 62.0, 102.0, 142.0];

    private const WIDTHS = [9.0, 50.0, 38.0, 38.0, 40.0];

    private const CODE_MM = 32.0;

    /** A photograph is as high at most, two beside each other. */
    private const PICTURE_MM = 64.0;

    private const GAP_MM = 6.0;

    /** So many bytes of photographs are on paper at most: they all are in memory until it is written. */
    private const MOST_PICTURES = 24_000_000;

    private float $y = 0.0;

    /** @param WrittenRecord $record */
    private function __construct(private readonly Paper $paper, private readonly array $record) {}

    /**
     * @param WrittenRecord $record
     * @param iterable<string, LineDrawing> $drawings by what stands over them
     * @param string $paper `A4` or `LETTER`
     * @param string $link by which the record is read; empty: none
     * @param ?QrSquares $squares the same for a camera
     * @param callable(string): ?string $picture gives the bytes of a photograph by its hash; null: it is not here
     * @param string $undrawn what is said where not every run is drawn from every side; empty: all are
     */
    public static function print(
        array $record,
        iterable $drawings,
        string $paper,
        string $link,
        ?QrSquares $squares,
        callable $picture,
        string $undrawn,
    ): string {
        $page = new self(new Paper($paper), $record);
        $page->head($link, $squares);
        $page->tests();
        foreach ($record['runs'] as $run) {
            $page->run($run);
        }
        $page->lists();
        $page->signatures();
        $page->pictures($picture);
        if ($undrawn !== '') {
            $page->line($undrawn);
        }
        DrawingPdf::pages($page->paper, $drawings, $record['name']);

        return $page->paper->output();
    }

    private function head(string $link, ?QrSquares $squares): void
    {
        $this->masthead();
        [$top, $right] = [$this->y, Paper::MARGIN_MM + $this->wide()];
        $narrow = $squares === null ? 0.0 : self::CODE_MM + 6.0;
        foreach ($this->facts() + ['Read it at' => $link] as $name => $value) {
            if ($value !== '') {
                $this->paper->text(Paper::MARGIN_MM, $this->y, new Letters(8), $name);
                $box = new Box(Paper::MARGIN_MM + 20, $this->y, $this->wide() - 20 - $narrow);
                $this->y += max(4.6, $this->paper->words($box, new Letters(9.5, true), $value));
            }
        }
        if ($squares !== null) {
            $this->code($squares, $right - self::CODE_MM, $top);
            $this->y = max($this->y, $top + self::CODE_MM + 2);
        }
        $this->y += 2;
    }

    private function masthead(): void
    {
        $this->paper->addPage();
        [$x, $y] = [Paper::MARGIN_MM, Paper::MARGIN_MM];
        $this->paper->text($x, $y, new Letters(20, true), 'Record');
        $brand = new Letters(10, true);
        $right = $x + $this->wide();
        $this->paper->text($right - $this->paper->widthOf($brand, 'Fall Bend'), $y + 3, $brand, 'Fall Bend');
        $this->paper->rule($y + 11, 0.5);
        $this->y = $y + 13;
    }

    /** @return array<string, string> what is said of the whole, by its name */
    private function facts(): array
    {
        $record = $this->record;

        return [
            'Job' => $record['name'],
            'Place' => $record['place'],
            'Book' => $record['book'],
            'On site' => $record['from'] === null
                ? 'nothing is logged yet'
                : self::day($record['from']).' to '.self::day((string) $record['to']),
            'People' => implode(', ', $record['people']),
            'Joints' => "{$record['made']} of {$record['joints']} made".
                ($record['wrong'] > 0 ? ", {$record['wrong']} not as they should be" : ''),
            'Log' => $record['entries'] === 0
                ? 'empty'
                : "{$record['entries']} entries, the last with the hash {$record['hash']}",
        ];
    }

    /** A camera wants it dark on light, with four squares of light around. */
    private function code(QrSquares $squares, float $x, float $y): void
    {
        $side = self::CODE_MM / count($squares->rows);
        foreach ($squares->rows as $row => $cells) {
            foreach (str_split($cells) as $column => $cell) {
                if ($cell === '1') {
                    $this->paper->filled(new Box($x + $column * $side, $y + $row * $side, $side, $side));
                }
            }
        }
    }

    private function tests(): void
    {
        $this->title('Tests');
        foreach ($this->record['tests'] as $test) {
            $this->line(
                "{$test['name']}, {$test['system']}: {$test['said']}. Begun ".self::time($test['begun_at']).
                    ($test['until'] === null ? '' : ', held until '.self::time($test['until'])).
                    ", {$test['by']}; {$test['readings']} readings.",
                $test['state'] === 'passed',
            );
        }
        if ($this->record['tests'] === []) {
            $this->line('None is logged.');
        }
        foreach ($this->record['systems'] as $system) {
            $this->line("{$system['name']}, {$system['stage']}: ".str_replace('-', ' ', $system['state']).'.');
        }
    }

    /** @param RecordedRun $run */
    private function run(array $run): void
    {
        $this->title("{$run['name']}, {$run['pipe']}");
        foreach ($run['differs'] as $finding) {
            $this->line("▲ {$finding['title']}: {$finding['why']}", true);
        }
        if ($run['services'] !== null) {
            $this->line("Services in the ground: {$run['services']}.");
        }
        $pieces = [];
        foreach ($run['pieces'] as $piece) {
            $pieces[] = "{$piece['letter']} ".($piece['cut'] === null ? 'not measured' : $this->said($piece['cut'])).
                ($piece['came'] === null ? '' : ", came out {$this->said($piece['came'])}");
        }
        if ($pieces !== []) {
            $this->line('Pieces: '.implode(', ', $pieces).'.');
        }
        foreach ($run['built']['hangers'] as $hanger) {
            $this->line(
                "Hanger {$hanger['hanger']}: planned {$this->said($hanger['planned'])}, ".
                    "read {$this->said($hanger['read'])}".
                    ($hanger['move'] === 'leave' ? '.' : ", to {$hanger['move']}."),
            );
        }
        foreach ($run['joints'] as $joint) {
            $this->joint($joint);
        }
    }

    /** @param RecordedJoint $joint */
    private function joint(array $joint): void
    {
        $cells = [
            $joint['mark'],
            "{$joint['name']}, {$joint['size']}",
            self::method($joint),
            $joint['made_at'] === null ? 'not made' : self::time($joint['made_at'])."\n{$joint['by']}",
            self::seen($joint),
        ];
        $letters = static fn (int $n): Letters => $n === 0 ? new Letters(10, true) : new Letters(8.5);
        $high = 0.0;
        foreach ($cells as $n => $cell) {
            $high = max($high, $this->paper->heightOf(self::WIDTHS[$n], $letters($n), $cell));
        }
        $this->room($high + 3.0);
        foreach ($cells as $n => $cell) {
            $box = new Box(Paper::MARGIN_MM + self::COLUMNS[$n], $this->y + 1, self::WIDTHS[$n]);
            $this->paper->words($box, $letters($n), $cell);
        }
        $this->y += $high + 1.5;
        $this->paper->rule($this->y, 0.15);
    }

    /** @param RecordedJoint $joint */
    private static function method(array $joint): string
    {
        if ($joint['made_at'] === null) {
            return 'planned: '.($joint['planned'] === '' ? 'no method' : $joint['planned']);
        }

        return trim(($joint['method'] === '' ? 'how is not logged' : $joint['method'])." {$joint['part']}");
    }

    /** @param RecordedJoint $joint */
    private static function seen(array $joint): string
    {
        $said = [];
        foreach (['depth' => 'depth mark', 'angle' => 'angle mark', 'bead' => 'bead'] as $key => $name) {
            if ($joint[$key] !== null) {
                $said[] = $joint[$key] ? $name : "{$name} not seen";
            }
        }
        if ($joint['dry'] !== null) {
            $said[] = $joint['dry'] ? "dry under test, {$joint['dry_by']}" : 'wet under test';
        }
        if ($joint['trouble'] !== null) {
            $said[] = 'wrong: '.str_replace('-', ' ', $joint['trouble']['what']);
        }
        if ($joint['cut_out'] !== []) {
            $said[] = 'opened or cut out '.count($joint['cut_out']).' times';
        }
        if ($joint['pictures'] !== []) {
            $said[] = count($joint['pictures']) === 1 ? 'photographed' : count($joint['pictures']).' photographs';
        }
        if ($joint['located'] !== '') {
            $said[] = "lies {$joint['located']}";
        }

        return implode('; ', [...$said, ...$joint['note'] === '' ? [] : [$joint['note']]]);
    }

    private function lists(): void
    {
        $record = $this->record;
        $lists = [
            'Notes' => array_map(
                static fn (array $note): string => self::time($note['at']).", {$note['by']}: {$note['note']}",
                $record['notes'],
            ),
            'Numbers that are other here' => array_map(
                static fn (array $one): string => "{$one['what']}: {$one['value']} ({$one['source']})",
                $record['overrides'],
            ),
            'Keep within reach' => array_map(
                static fn (array $one): string => "{$one['what']}. {$one['why']}",
                $record['reach'],
            ),
        ];
        foreach ($lists as $title => $lines) {
            if ($lines !== []) {
                $this->title($title);
                array_map($this->line(...), $lines);
            }
        }
    }

    private function signatures(): void
    {
        $this->title('Signed');
        foreach ($this->record['signatures'] as $one) {
            $role = $one['role'] === '' ? '' : ", {$one['role']}";
            $this->line(
                "{$one['name']}{$role}, ".self::time($one['at']).', signed in as '.$one['by'].'. Entry '.
                    "{$one['number']} of the log, hash {$one['hash']}.".
                    self::standing($one['holds'], $one['brought']),
                true,
            );
        }
        if ($this->record['signatures'] === []) {
            $this->line('Nobody has signed yet.');
        }
        $this->line(
            'The local code, the inspector and licensed practice decide; this record advises nobody to cover what '.
                'they have not seen.',
        );
    }

    private static function standing(bool $holds, bool $isBrought): string
    {
        return match (true) {
            $holds => '',
            $isBrought => ' Signed in the job that the file was of; nobody stands for it here by that.',
            default => ' Something was added or changed since.',
        };
    }

    /** @param callable(string): ?string $picture */
    private function pictures(callable $picture): void
    {
        $shown = $this->pictured();
        if ($shown === []) {
            return;
        }
        $this->title('Photographs');
        [$bytes, $left] = [0, 0];
        foreach (array_chunk($shown, 2) as $pair) {
            $jpegs = array_map(static fn (array $one): ?string => $picture($one['picture']['hash']), $pair);
            $bytes += array_sum(array_map(static fn (?string $jpeg): int => strlen((string) $jpeg), $jpegs));
            if ($bytes > self::MOST_PICTURES) {
                $left += count($pair);
            } else {
                $this->pair($pair, $jpegs);
            }
        }
        if ($left > 0) {
            $this->line("{$left} more photographs are in the log: the page that the link opens shows them.");
        }
    }

    /** @return list<array{of: string, picture: RecordedPicture}> those of the whole first */
    private function pictured(): array
    {
        $shown = [];
        foreach ($this->record['pictures'] as $picture) {
            $shown[] = ['of' => '', 'picture' => $picture];
        }
        foreach ($this->record['runs'] as $run) {
            foreach ($run['joints'] as $joint) {
                foreach ($joint['pictures'] as $picture) {
                    $shown[] = [
                        'of' => "{$run['name']}, joint {$joint['mark']}, {$joint['name']}. ",
                        'picture' => $picture,
                    ];
                }
            }
        }

        return $shown;
    }

    /**
     * @param non-empty-list<array{of: string, picture: RecordedPicture}> $pair one or two
     * @param list<?string> $jpegs of them
     */
    private function pair(array $pair, array $jpegs): void
    {
        $wide = ($this->wide() - self::GAP_MM) / 2;
        $letters = new Letters(8.5);
        $words = array_map(
            static fn (array $one): string => $one['of'].
                ($one['picture']['note'] === '' ? '' : "{$one['picture']['note']} ").
                '('.self::time($one['picture']['at']).", {$one['picture']['by']})",
            $pair,
        );
        $high = max(array_map(fn (string $said): float => $this->paper->heightOf($wide, $letters, $said), $words));
        $this->room(self::PICTURE_MM + $high + self::GAP_MM);
        foreach ($pair as $n => $one) {
            $x = Paper::MARGIN_MM + $n * ($wide + self::GAP_MM);
            $box = new Box($x, $this->y + 2, $wide, self::PICTURE_MM);
            $this->picture($box, $jpegs[$n] ?? null, $one['picture']['hash']);
            $below = new Box($x, $this->y + self::PICTURE_MM + 3, $wide);
            $this->paper->words($below, $letters, $words[$n]);
        }
        $this->y += self::PICTURE_MM + $high + self::GAP_MM;
    }

    /** What cannot be shown is said with its hash. */
    private function picture(Box $at, ?string $jpeg, string $hash): void
    {
        if (! $this->paper->picture($at, $jpeg ?? '')) {
            $said = $jpeg === null
                ? 'The photograph is not here: the log came in a file.'
                : 'It is no JPEG, and cannot be printed.';
            $words = "{$said} Its SHA-256: {$hash}";
            $this->paper->words(new Box($at->x, $at->y + 2, $at->width), new Letters(8.5), $words);
        }
    }

    private function title(string $text): void
    {
        $this->room(16.0);
        $this->y += 4;
        $this->paper->text(Paper::MARGIN_MM, $this->y, new Letters(12, true), $text);
        $this->y += 6;
        $this->paper->rule($this->y, 0.3);
        $this->y += 1;
    }

    private function line(string $text, bool $isBold = false): void
    {
        $letters = new Letters(9, $isBold);
        $this->room($this->paper->heightOf($this->wide(), $letters, $text) + 1.3);
        $box = new Box(Paper::MARGIN_MM, $this->y + 0.5, $this->wide());
        $this->y += $this->paper->words($box, $letters, $text) + 0.8;
    }

    private function room(float $high): void
    {
        if ($this->y + $high > $this->paper->height() - Paper::MARGIN_MM) {
            $this->paper->addPage();
            $this->y = Paper::MARGIN_MM;
            $name = "Record, {$this->record['name']}";
            $this->paper->text(Paper::MARGIN_MM, $this->y, new Letters(9, true), $name);
            $this->y += 7;
        }
    }

    private function wide(): float
    {
        return $this->paper->width() - 2 * Paper::MARGIN_MM;
    }

    /** @param array{mm: float, inch: string, feet: string, metric: string} $reading */
    private function said(array $reading): string
    {
        return $this->record['units'] === 'inch' ? "{$reading['inch']} in" : "{$reading['metric']} mm";
    }

    private static function time(string $time): string
    {
        return (new DateTimeImmutable($time))->format('Y-m-d H:i');
    }

    private static function day(string $time): string
    {
        return (new DateTimeImmutable($time))->format('Y-m-d');
    }
}
