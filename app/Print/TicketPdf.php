<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\Cutting\CutTicket;
use FallBend\Core\Drawing\LineDrawing;
use FallBend\Core\Measure\Units;
use TCPDF;

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
        private readonly TCPDF $pdf,
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
        $page = new self(Paper::sheet($paper, 'P'), $ticket, $units);
        $y = $page->head($heads, $holds);
        $y = $page->pieces($y, $heads);
        $page->foot($page->turns($y));
        DrawingPdf::pages($page->pdf, $drawings, "{$heads['job']}, {$heads['run']}");

        return $page->pdf->Output('ticket.pdf', 'S');
    }

    /**
     * @param array{job: string, run: string, pipe: string, on: string} $heads
     * @param list<string> $holds
     */
    private function head(array $heads, array $holds): float
    {
        $this->pdf->AddPage('P');
        [$x, $y, $wide] = [Paper::MARGIN_MM, Paper::MARGIN_MM, $this->pdf->getPageWidth() - 2 * Paper::MARGIN_MM];
        Paper::words($this->pdf, $x, $y, 100, 20, 'Cut ticket', 'B');
        Paper::words($this->pdf, $x + $wide - 24, $y + 3, 24, 10, 'Fall Bend', 'B');
        Paper::rule($this->pdf, $y + 11, 0.5);
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
            Paper::words($this->pdf, $x, $y, 20, 8, $name);
            $y += max(4.6, Paper::words($this->pdf, $x + 20, $y, $wide - 20, 9.5, $value, 'B'));
        }
        foreach ($holds as $n => $hold) {
            $y += Paper::words($this->pdf, $x, $y + 1, $wide, 10, ($n === 0 ? 'HOLD. ' : '').$hold, 'B');
        }
        if ($this->ticket->gone() !== []) {
            $y +=
                Paper::words(
                    $this->pdf,
                    $x,
                    $y + 1,
                    $wide,
                    9.5,
                    'No longer cut: '.implode(', ', $this->ticket->gone()).'. They stand on the ticket before.',
                    'B',
                ) + 1;
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
            Paper::words($this->pdf, Paper::MARGIN_MM + self::COLUMNS[$n], $y, 60, 7, $caption);
        }
        Paper::rule($this->pdf, $y + 4, 0.4);

        return $y + 5;
    }

    /** @param array{job: string, run: string, pipe: string, on: string} $heads */
    private function pieces(float $y, array $heads): float
    {
        $pieces = $this->ticket->pieces();
        foreach ($pieces as $piece) {
            // What each end wants by itself takes a line more.
            $note = self::ROW_MM + (count($piece['ends']) > 1 ? 4.0 : 0.0);
            $high = $note + ($piece['note'] === '' ? 0.0 : 5.0);
            if ($y + $high > $this->pdf->getPageHeight() - Paper::MARGIN_MM) {
                $this->pdf->AddPage('P');
                Paper::words(
                    $this->pdf,
                    Paper::MARGIN_MM,
                    Paper::MARGIN_MM,
                    170,
                    9,
                    "Cut ticket, {$heads['job']}, {$heads['run']}, printed {$heads['on']}",
                    'B',
                );
                $y = $this->captions(Paper::MARGIN_MM + 7);
            }
            $this->row($piece, $y);
            if ($piece['note'] !== '') {
                Paper::words(
                    $this->pdf,
                    Paper::MARGIN_MM + self::COLUMNS[1],
                    $y + $note - 1.4,
                    155,
                    8.5,
                    "▲ {$piece['note']}",
                    'B',
                );
            }
            $y += $high;
            Paper::rule($this->pdf, $y - 1, 0.15);
        }
        if ($pieces === []) {
            $y += Paper::words(
                $this->pdf,
                Paper::MARGIN_MM,
                $y,
                150,
                10,
                'Nothing to cut: no leg has room for a piece.',
            );
        }
        $doubtful = $this->ticket->doubtful();

        return $y +
            2 +
            ($doubtful === []
                ? 0.0
                : Paper::words(
                    $this->pdf,
                    Paper::MARGIN_MM,
                    $y,
                    180,
                    8.5,
                    'Measure before cutting: '.implode(', ', $doubtful).'. Their take-offs are doubtful.',
                    'B',
                ) + 1);
    }

    /** @param TicketPiece $piece */
    private function row(array $piece, float $y): void
    {
        [$x, $at] = [Paper::MARGIN_MM, self::COLUMNS];
        $this->pdf->setLineStyle(['width' => 0.5, 'dash' => 0, 'color' => [0, 0, 0]]);
        $this->pdf->Rect($x, $y + 1, 10, 10);
        $this->pdf->setFont(Paper::FONT, 'B', strlen($piece['letter']) > 1 ? 12 : 15);
        $this->pdf->MultiCell(
            10,
            10,
            $piece['letter'],
            0,
            'C',
            false,
            1,
            $x,
            $y + (strlen($piece['letter']) > 1 ? 3 : 2.4),
        );
        Paper::words(
            $this->pdf,
            $x + $at[1],
            $y + 2.2,
            $at[2] - $at[1],
            str_starts_with($piece['length'], 'measure') ? 10 : 17,
            str_replace([' in', ' mm'], '', $piece['length']),
            'B',
        );
        $ends = $y;
        foreach (
            [
                ...array_map(static fn (string $line): array => [8.5, $line], $piece['lines']),
                ...array_map(static fn (string $end): array => [6.8, $end], $piece['ends']),
            ] as [$points, $text]
        ) {
            $ends += Paper::words($this->pdf, $x + $at[2], $ends, $at[3] - $at[2] - 3, $points, $text) + 0.3;
        }
        $where = Paper::words($this->pdf, $x + $at[3], $y, $at[4] - $at[3] - 2, 8.5, $piece['where']);
        Paper::words($this->pdf, $x + $at[3], $y + $where + 0.5, $at[4] - $at[3] - 2, 7.5, $piece['stick']);
        $this->pdf->Rect($x + $at[4], $y + 1, 8, 8);
        if ($piece['cut']) {
            $this->pdf->Line($x + $at[4] + 1.5, $y + 5, $x + $at[4] + 3.5, $y + 7.5);
            $this->pdf->Line($x + $at[4] + 3.5, $y + 7.5, $x + $at[4] + 7, $y + 2.5);
        }
    }

    private function turns(float $y): float
    {
        $turns = $this->ticket->turns();
        foreach ($turns === [] ? [] : ['Fittings, and how each is turned', ...$turns] as $n => $turn) {
            if ($y + 6 > $this->pdf->getPageHeight() - Paper::MARGIN_MM) {
                $this->pdf->AddPage('P');
                $y = Paper::MARGIN_MM;
            }
            $y +=
                Paper::words($this->pdf, Paper::MARGIN_MM, $y, 180, $n === 0 ? 10 : 8.5, $turn, $n === 0 ? 'B' : '') +
                0.8;
        }

        return $y +
            ($turns === []
                ? 0.0
                : Paper::words(
                    $this->pdf,
                    Paper::MARGIN_MM,
                    $y,
                    180,
                    7,
                    'Clockwise looking downstream, from the heel of the bend before; the first from straight up, or from north on upright pipe.',
                ) + 2);
    }

    private function foot(float $y): void
    {
        if ($y + self::FOOT_MM > $this->pdf->getPageHeight() - Paper::MARGIN_MM) {
            $this->pdf->AddPage('P');
            $y = Paper::MARGIN_MM;
        }
        [$length, $step, $said] = $this->units === Units::Inch ? [76.2, 3.175, '3 in'] : [80.0, 5.0, '80 mm'];
        [$x, $base] = [Paper::MARGIN_MM, $y + 8];
        $this->pdf->setLineStyle(['width' => 0.3, 'dash' => 0, 'color' => [0, 0, 0]]);
        $this->pdf->Line($x, $base, $x + $length, $base);
        for ($i = 0; $i <= (int) round($length / $step); $i++) {
            $this->pdf->Line(
                $x + $i * $step,
                $base,
                $x + $i * $step,
                $base - ($i % ($this->units === Units::Inch ? 8 : 4) === 0 ? 5.0 : 3.0),
            );
        }
        Paper::words(
            $this->pdf,
            $x,
            $base + 2,
            180,
            8,
            "Lay a tape on this scale. If it is not {$said}, print again at full size. Lengths run to the stop inside each socket. Goggles on; the saw's dust is not for breathing. The local code and the licensed plumber decide.",
        );
        foreach (['cut by', 'tried dry by', 'date'] as $n => $who) {
            Paper::rule($this->pdf, $base + 19, 0.15);
            Paper::words($this->pdf, $x + $n * 62, $base + 20, 60, 7.5, $who);
        }
    }
}
