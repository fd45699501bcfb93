<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;

/**
 * A strip in full size that is wrapped once round a pipe: its lower edge lies along the cut, square to the pipe; lines
 * show how deep the end goes in, the witness line along
 * the pipe, and how far round from it the heel line of the next bend lies. Too wide for the paper it is printed in rows
 * that are joined edge to edge.
 * Everything is in mm, x round the pipe clockwise looking downstream, y up from the cut edge.
 */
final readonly class WrapTemplate
{
    /** Paper past the circumference that goes under the beginning. */
    public const LAP_MM = 15.0;

    /** Paper above the depth line, with room for the words and the ruler. */
    private const ABOVE_MM = 34.0;

    /**
     * @param float $roundMm the circumference of the pipe
     * @param list<array{string, float, float, float, float}> $lines what it is
     *     (`edge`, `lap`, `depth`, `witness`, `roll`, `tick`), from, to
     * @param list<array{float, float, float, string}> $texts x, y of their left lower corner, height, words
     */
    private function __construct(
        public string $name,
        public float $roundMm,
        public float $heightMm,
        public array $lines,
        public array $texts,
    ) {}

    /** Gives the strip of a piece of a run; null where the run has no such piece. */
    public static function ofPiece(RunLayout $layout, string $piece, Units $units): ?self
    {
        foreach ($layout->pieces as $one) {
            if ($one->key === $piece) {
                $mark = static fn (string $key): string => array_values(
                    array_filter($layout->joints, static fn (Joint $joint): bool => $joint->key === $key),
                )[0]->mark ?? '';
                $isLast =
                    array_filter(
                        $layout->pieces,
                        static fn (Piece $other): bool => $other->leg === $one->leg &&
                            $other->from->minus($one->from)->dot($one->direction) > 0.5,
                    ) === [];
                $bend =
                    array_values(
                        array_filter(
                            $layout->fittings,
                            static fn (Fitting $fitting): bool => $fitting->leg === $one->leg + 1 &&
                                $fitting->markMm !== null,
                        ),
                    )[0] ?? null;

                return self::of(
                    $layout->system->pipe($one->size),
                    $one->letter,
                    $mark($one->jointFrom),
                    $mark($one->jointTo),
                    $one->depthFromMm,
                    $isLast ? $bend?->markMm : null,
                    $units,
                );
            }
        }

        return null;
    }

    /**
     * @param string $letter of the piece
     * @param string $from mark of the joint at the end that the strip is laid to
     * @param string $to mark of the joint at its other end
     * @param float $depthMm how deep the end goes in
     * @param ?float $rollMm signed, from the heel line of the bend before to that of the bend after; null where there
     *     is none
     */
    public static function of(
        Pipe $pipe,
        string $letter,
        string $from,
        string $to,
        float $depthMm,
        ?float $rollMm,
        Units $units,
    ): self {
        $round = M_PI * $pipe->outsideMm;
        $height = $depthMm + self::ABOVE_MM;
        $tape = new Tape;
        $said = static fn (float $mm): string => $units === Units::Inch
            ? $tape->reading($mm)['inch'].' in'
            : $tape->reading($mm)['metric'].' mm';
        $lines = [
            ['edge', 0.0, 0.0, $round + self::LAP_MM, 0.0],
            ['edge', 0.0, $height, $round + self::LAP_MM, $height],
            ['edge', 0.0, 0.0, 0.0, $height],
            ['edge', $round + self::LAP_MM, 0.0, $round + self::LAP_MM, $height],
            ['lap', $round, 0.0, $round, $height],
            ['depth', 0.0, $depthMm, $round, $depthMm],
            ['witness', 0.0, 0.0, 0.0, $height],
        ];
        $texts = [
            [4.0, $depthMm + 2.0, 3.2, 'in to here: '.$said($depthMm)],
            [4.0, 3.0, 3.2, "this edge along the cut, at joint {$from}"],
            [4.0, $height - 8.0, 6.0, $letter],
            [14.0, $height - 7.0, 3.4, "joint {$from} to {$to}, {$pipe->size}: round {$said($round)}"],
            [$round + 2.0, 4.0, 3.0, 'lap'],
        ];
        if ($rollMm !== null && abs($rollMm) > 0.05) {
            $at = fmod(fmod($rollMm, $round) + $round, $round);
            $lines[] = ['roll', $at, 0.0, $at, $height];
            $texts[] = [
                min($at + 1.5, $round - 40.0),
                $depthMm + 8.0,
                3.4,
                "heel line at joint {$to}: {$said(abs($rollMm))} ".($rollMm > 0 ? 'clockwise' : 'against the clock'),
            ];
        }
        $texts[] = [4.0, $depthMm + 14.0, 3.4, 'heel line of the bend before'];

        return new self(
            "wrap-{$letter}",
            $round,
            $height,
            [...$lines, ...self::ruler($units, $round, $height)],
            $texts,
        );
    }

    /**
     * Gives the strip in rows that fit on paper, each with where it begins.
     *
     * @return non-empty-list<array{float, float}> from and to, in mm round the pipe
     */
    public function rows(float $widthMm): array
    {
        $all = $this->roundMm + self::LAP_MM;
        $rows = [];
        for ($from = 0.0; $from < $all - Tolerance::ROUNDING; $from += $widthMm) {
            $rows[] = [$from, min($all, $from + $widthMm)];
        }

        return $rows === [] ? [[0.0, $all]] : $rows;
    }

    /** Gives it as SVG in full size: one unit of the drawing is a millimetre of paper. */
    public function svg(): string
    {
        $width = $this->roundMm + self::LAP_MM;
        $number = static fn (float $n): string => rtrim(rtrim(number_format($n, 4, '.', ''), '0'), '.');
        $style = [
            'edge' => 'stroke="#111" stroke-width="0.3"',
            'lap' => 'stroke="#777" stroke-width="0.25" stroke-dasharray="1.5 1.2"',
            'depth' => 'stroke="#111" stroke-width="0.4"',
            'witness' => 'stroke="#111" stroke-width="0.9"',
            'roll' => 'stroke="#111" stroke-width="0.9"',
            'tick' => 'stroke="#111" stroke-width="0.2"',
        ];
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$number($width)}mm\" height=\"{$number(
            $this->heightMm,
        )}mm\" viewBox=\"0 0 {$number($width)} {$number(
            $this->heightMm,
        )}\" font-family=\"sans-serif\">\n<title>{$this->name}</title>\n";
        foreach ($this->lines as [$kind, $x1, $y1, $x2, $y2]) {
            $svg .= "<line class=\"{$kind}\" x1=\"{$number($x1)}\" y1=\"{$number(
                $this->heightMm - $y1,
            )}\" x2=\"{$number($x2)}\" y2=\"{$number($this->heightMm - $y2)}\" {$style[$kind]}/>\n";
        }
        foreach ($this->texts as [$x, $y, $high, $words]) {
            $svg .=
                "<text x=\"{$number($x)}\" y=\"{$number($this->heightMm - $y)}\" font-size=\"{$number($high)}\">".
                htmlspecialchars($words, ENT_XML1 | ENT_QUOTES).
                "</text>\n";
        }

        return "{$svg}</svg>\n";
    }

    /**
     * @return list<array{string, float, float, float, float}> a ruler along the upper edge, to check the scale by:
     *     whole marks and halves
     */
    private static function ruler(Units $units, float $roundMm, float $heightMm): array
    {
        $step = $units === Units::Inch ? 12.7 : 5.0;
        $ticks = [];
        for ($i = 0; $i * $step <= $roundMm + Tolerance::ROUNDING; $i++) {
            $ticks[] = ['tick', $i * $step, $heightMm, $i * $step, $heightMm - ($i % 2 === 0 ? 4.0 : 2.0)];
        }

        return $ticks;
    }
}
