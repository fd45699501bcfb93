<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\Cutting\CutTicket;
use FallBend\Core\Drawing\LineDrawing;
use FallBend\Core\Measure\Units;

/**
 * Prints the cut ticket: every piece with a box to tick, how the fittings are turned, a scale to check the printer
 * with; after it the run from above, along its length and isometric.
 *
 * @phpstan-import-type TicketPiece from CutTicket
 */
final class TicketPdf
{
    /** Where the columns begin: letter, length, ends, where it goes, box. */
    private const COLUMNS = [0.0, 14.0, 52.0, 120.0, 172.0];

    private const ROW_MM = 17.0;

    private const FOOT_MM = 34.0;

    private function __construct(
        private readonly Paper $paper,
        private readonly CutTicket $ticket,
        private readonly Units $units,
    ) {}

    /**
     * @param array{job: string, run: string, pipe: string, on: string} $heads what stands over it
     * @param list<string> $holds what must be settled before anything is cut
     * @param array<string, LineDrawing> $drawings by what stands over them
     * @param string $paper `A4` or `LETTER`
     */
    public static function print(
        CutTicket $ticket,
        array $heads,
        array $holds,
        array $drawings,
        Units $units,
        string $paper,
    ): string {
        $page = new self(new Paper($paper), $ticket, $units);
        $y = $page->head($heads, $holds);
        $y = $page->pieces($y, $heads);
        $page->foot($page->turns($y));
        DrawingPdf::pages($page->paper, $drawings, "{$heads['job']}, {$heads['run']}");

        return $page->paper->output();
    }

    /**
     * @param array{job: string, run: string, pipe: string, on: string} $heads
     * @param list<string> $holds
     */
    private function head(array $heads, array $holds): float
    {
        $this->paper->addPage();
        [$x, $y, $wide] = [Paper::MARGIN_MM, Paper::MARGIN_MM, $this->paper->width() - 2 * Paper::MARGIN_MM];
        $this->paper->text($x, $y, new Letters(20, true), 'Cut ticket');
        $brand = new Letters(10, true);
        $this->paper->text($x + $wide - $this->paper->widthOf($brand, 'Fall Bend'), $y + 3, $brand, 'Fall Bend');
        $this->paper->rule($y + 11, 0.5);
        $y += 13;
        foreach (
            [
                'Job' => $heads['job'],
                'Run' => $heads['run'],
                'Pipe' => $heads['pipe'],
                'Printed' => $heads['on'],
                'Saw' => "kerf {$this->ticket->kerf()}",
            ] as $name => $value
        ) {
            $this->paper->text($x, $y, new Letters(8), $name);
            $y += max(4.6, $this->paper->words(new Box($x + 20, $y, $wide - 20), new Letters(9.5, true), $value));
        }
        foreach ($holds as $n => $hold) {
            $said = ($n === 0 ? 'HOLD. ' : '').$hold;
            $y += $this->paper->words(new Box($x, $y + 1, $wide), new Letters(10, true), $said);
        }
        if ($this->ticket->gone() !== []) {
            $said = 'No longer cut: '.implode(', ', $this->ticket->gone()).'. They stand on the ticket before.';
            $y += $this->paper->words(new Box($x, $y + 1, $wide), new Letters(9.5, true), $said) + 1;
        }

        return $this->captions($y + 3);
    }

    private function captions(float $y): float
    {
        foreach (
            [
                'piece',
                $this->units === Units::Inch ? 'cut length, inches' : 'cut length, millimetres',
                'ends; line round the pipe at the lip',
                'where it goes; from',
                'cut',
            ] as $n => $caption
        ) {
            $this->paper->text(Paper::MARGIN_MM + self::COLUMNS[$n], $y, new Letters(7), $caption);
        }
        $this->paper->rule($y + 4, 0.4);

        return $y + 5;
    }

    /** @param array{job: string, run: string, pipe: string, on: string} $heads */
    private function pieces(float $y, array $heads): float
    {
        foreach ($this->ticket->pieces() as $piece) {
            // What each end wants by itself takes a line more.
            $note = self::ROW_MM + (count($piece['ends']) > 1 ? 4.0 : 0.0);
            $high = $note + ($piece['note'] === '' ? 0.0 : 5.0);
            if ($this->isFull($y + $high)) {
                $y = $this->nextPage($heads);
            }
            $this->row($piece, $y);
            if ($piece['note'] !== '') {
                $this->paper->words(
                    new Box(Paper::MARGIN_MM + self::COLUMNS[1], $y + $note - 1.4, 155),
                    new Letters(8.5, true),
                    "▲ {$piece['note']}",
                );
            }
            $y += $high;
            $this->paper->rule($y - 1, 0.15);
        }

        return $y + $this->remarks($y) + 2;
    }

    private function isFull(float $y): bool
    {
        return $y > $this->paper->height() - Paper::MARGIN_MM;
    }

    /** @param array{job: string, run: string, pipe: string, on: string} $heads */
    private function nextPage(array $heads): float
    {
        $this->paper->addPage();
        $this->paper->words(
            new Box(Paper::MARGIN_MM, Paper::MARGIN_MM, 170),
            new Letters(9, true),
            "Cut ticket, {$heads['job']}, {$heads['run']}, printed {$heads['on']}",
        );

        return $this->captions(Paper::MARGIN_MM + 7);
    }

    /** What is said under the pieces; gives how high it stands. */
    private function remarks(float $y): float
    {
        $high = 0.0;
        if ($this->ticket->pieces() === []) {
            $high += $this->paper->words(
                new Box(Paper::MARGIN_MM, $y, 150),
                new Letters(10),
                'Nothing to cut: no leg has room for a piece.',
            );
        }
        $doubtful = $this->ticket->doubtful();
        if ($doubtful !== []) {
            $said = 'Measure before cutting: '.implode(', ', $doubtful).'. Their lengths are doubtful.';
            $high += 1 + $this->paper->words($this->across($y + $high), new Letters(8.5, true), $said);
        }
        $first = $this->ticket->worthMeasuring();
        if ($first !== []) {
            $said = 'To spare the trimming, measure '.implode('; ', $first).'.';
            $high += 1 + $this->paper->words($this->across($y + $high), new Letters(8.5), $said);
        }

        return $high;
    }

    /** A line from margin to margin, mm from the top. */
    private function across(float $y): Box
    {
        return new Box(Paper::MARGIN_MM, $y, 180);
    }

    /** @param TicketPiece $piece */
    private function row(array $piece, float $y): void
    {
        [$x, $at, $paper] = [Paper::MARGIN_MM, self::COLUMNS, $this->paper];
        $thick = new Stroke(0.5);
        $paper->frame(new Box($x, $y + 1, 10, 10), $thick);
        [$points, $down] = strlen($piece['letter']) > 1 ? [12, 3.0] : [15, 2.4];
        $paper->centred(new Box($x, $y + $down, 10), new Letters($points, true), $piece['letter']);
        $paper->words(
            new Box($x + $at[1], $y + 2.2, $at[2] - $at[1]),
            new Letters(str_starts_with($piece['length'], 'measure') ? 10 : 17, true),
            str_replace([' in', ' mm'], '', $piece['length']),
        );
        $ends = $y;
        foreach (
            [
                ...array_map(static fn (string $line): array => [8.5, $line], $piece['lines']),
                ...array_map(static fn (string $end): array => [6.8, $end], $piece['ends']),
            ] as [$points, $text]
        ) {
            $place = new Box($x + $at[2], $ends, $at[3] - $at[2] - 3);
            $ends += $paper->words($place, new Letters($points), $text) + 0.3;
        }
        $wide = $at[4] - $at[3] - 2;
        $where = $paper->words(new Box($x + $at[3], $y, $wide), new Letters(8.5), $piece['where']);
        $paper->words(new Box($x + $at[3], $y + $where + 0.5, $wide), new Letters(7.5), $piece['stick']);
        $paper->frame(new Box($x + $at[4], $y + 1, 8, 8), $thick);
        if ($piece['cut']) {
            $paper->line([$x + $at[4] + 1.5, $y + 5], [$x + $at[4] + 3.5, $y + 7.5], $thick);
            $paper->line([$x + $at[4] + 3.5, $y + 7.5], [$x + $at[4] + 7, $y + 2.5], $thick);
        }
    }

    private function turns(float $y): float
    {
        $turns = $this->ticket->turns();
        foreach ($turns === [] ? [] : ['Fittings, and how each is turned', ...$turns] as $n => $turn) {
            if ($this->isFull($y + 6)) {
                $this->paper->addPage();
                $y = Paper::MARGIN_MM;
            }
            $letters = $n === 0 ? new Letters(10, true) : new Letters(8.5);
            $y += $this->paper->words(new Box(Paper::MARGIN_MM, $y, 180), $letters, $turn) + 0.8;
        }

        return $turns === []
            ? $y
            : $y +
                    2 +
                    $this->paper->words(
                        new Box(Paper::MARGIN_MM, $y, 180),
                        new Letters(7),
                        'Clockwise looking downstream, from the heel of the bend before; the first from straight up, or from north '.
                            'on upright pipe.',
                    );
    }

    private function foot(float $y): void
    {
        if ($this->isFull($y + self::FOOT_MM)) {
            $this->paper->addPage();
            $y = Paper::MARGIN_MM;
        }
        [$length, $step, $said] = $this->units === Units::Inch ? [76.2, 3.175, '3 in'] : [80.0, 5.0, '80 mm'];
        $long = $this->units === Units::Inch ? 8 : 4;
        [$x, $base, $thin] = [Paper::MARGIN_MM, $y + 8, new Stroke(0.3)];
        $this->paper->line([$x, $base], [$x + $length, $base], $thin);
        for ($i = 0; $i <= (int) round($length / $step); $i++) {
            $at = $x + $i * $step;
            $this->paper->line([$at, $base], [$at, $base - ($i % $long === 0 ? 5.0 : 3.0)], $thin);
        }
        $this->paper->words(
            new Box($x, $base + 2, 180),
            new Letters(8),
            "Lay a tape on this scale. If it is not {$said}, print again at full size. Lengths run to the stop inside ".
                "each socket. Goggles on; the saw's dust is not for breathing. The local code and the licensed plumber ".
                'decide.',
        );
        foreach (['cut by', 'tried dry by', 'date'] as $n => $who) {
            $this->paper->rule($base + 19, 0.15);
            $this->paper->text($x + $n * 62, $base + 20, new Letters(7.5), $who);
        }
    }
}
