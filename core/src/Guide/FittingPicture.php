<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\PipeSystem;

/** Draws a fitting with the pipes in it and its lengths, as SVG that reads in black and white; to scale. */
final readonly class FittingPicture
{
    /** So much of each pipe is drawn beyond its socket, mm. */
    private const PIPE_MM = 45.0;

    private const MARGIN = 40.0;

    /** Pixels to a millimetre. */
    private const SCALE = 1.2;

    /** Where the text of a length stands beside its line, mm. */
    private const BESIDE_MM = 9.0;

    public function __construct(private PipeSystem $system) {}

    /** Gives the picture of a branch fitting: the run from top to bottom as the water goes, the branch to the right. */
    public function branch(Branch $part): string
    {
        $run = $this->system->pipe($part->size);
        $branch = $this->system->pipes[$part->branchSize] ?? null;
        $radius = ($branch->outsideMm ?? (float) $part->branchSize) / 2;
        $depth = $branch->socketDepthMm ?? $run->socketDepthMm;
        $angle = deg2rad($part->turnDeg);
        $reach = max($part->branchMm + $depth + self::PIPE_MM, 1.0);
        $drawn =
            $this->pipe(0, -$part->runInMm, 0, -$part->runInMm - $run->socketDepthMm - self::PIPE_MM, $run->outsideMm).
            $this->pipe(0, $part->runOutMm, 0, $part->runOutMm + $run->socketDepthMm + self::PIPE_MM, $run->outsideMm).
            $this->pipe(
                $part->branchMm * sin($angle),
                -$part->branchMm * cos($angle),
                $reach * sin($angle),
                -$reach * cos($angle),
                2 * $radius,
            ).
            $this->axis(0, -$part->runInMm - 70, 0, $part->runOutMm + 70).
            $this->axis(0, 0, $reach * sin($angle), -$reach * cos($angle)).
            $this->length(0, 0, 0, -$part->runInMm, $part->runInMm, $part->runInDoubtMm, -$run->outsideMm / 2 - 14).
            $this->length(0, 0, 0, $part->runOutMm, $part->runOutMm, $part->runOutDoubtMm, $run->outsideMm / 2 + 14).
            $this->length(
                0,
                0,
                $part->branchMm * sin($angle),
                -$part->branchMm * cos($angle),
                $part->branchMm,
                $part->branchDoubtMm,
                $radius + 14,
            );
        $up = max($part->runInMm + $run->socketDepthMm + self::PIPE_MM, $reach * cos($angle) + $radius);

        return $this->sheet(
            "{$part->sizeInWords()} {$part->name}",
            $drawn,
            [-$run->outsideMm / 2 - 60, $reach * sin($angle) + $radius * cos($angle) + 20],
            [-$up, $part->runOutMm + $run->socketDepthMm + self::PIPE_MM],
        );
    }

    /** Gives the picture of a bend: the pipe before it from the left, the one after it downwards. */
    public function bend(Bend $part): string
    {
        $pipe = $this->system->pipe($part->size);
        $after = $this->system->pipe($part->outletSize ?? $part->size);
        $turn = deg2rad($part->turnDeg);
        [$in, $out, $more] = [$part->takeOffMm, $part->outletMm(), $pipe->socketDepthMm + self::PIPE_MM];
        [$from, $far] = [$in + $more, $out + $more];
        [$x, $y] = [cos($turn), sin($turn)];
        $drawn =
            $this->pipe(-$in, 0, -$from, 0, $pipe->outsideMm).
            $this->pipe($out * $x, $out * $y, $far * $x, $far * $y, $after->outsideMm).
            $this->axis(-$from, 0, 0, 0).
            $this->axis(0, 0, $far * $x, $far * $y).
            $this->length(0, 0, -$in, 0, $in, $part->doubtMm, $pipe->outsideMm / 2 + 14).
            $this->length(0, 0, $out * $x, $out * $y, $out, $part->outletDoubtMm(), -$pipe->outsideMm / 2 - 14);
        $half = $pipe->outsideMm / 2 + 60;
        $title = "{$part->sizeInWords()} {$part->name}";

        return $this->sheet($title, $drawn, [-$from, $far * $x + $half], [-$half, $far * $y + 10]);
    }

    /** A pipe from its end in the fitting outwards. */
    private function pipe(float $x, float $y, float $toX, float $toY, float $outsideMm): string
    {
        $length = hypot($toX - $x, $toY - $y);
        [$u, $v] = [($toX - $x) / $length, ($toY - $y) / $length];
        [$p, $q] = [(-$v * $outsideMm) / 2, ($u * $outsideMm) / 2];
        $points = [[$toX + $p, $toY + $q], [$x + $p, $y + $q], [$x - $p, $y - $q], [$toX - $p, $toY - $q]];

        return '<polyline points="'.
            implode(' ', array_map(static fn (array $point): string => self::at($point[0], $point[1]), $points)).
            "\" stroke=\"#111\" stroke-width=\"2\" fill=\"#eee\"/>\n";
    }

    private function axis(float $x, float $y, float $toX, float $toY): string
    {
        return $this->line($x, $y, $toX, $toY, 'stroke="#777" stroke-width="1" stroke-dasharray="12 3 2 3"');
    }

    /** A length from the centre to a stop, drawn beside its axis. */
    private function length(
        float $x,
        float $y,
        float $toX,
        float $toY,
        float $mm,
        float $doubtMm,
        float $asideMm,
    ): string {
        if ($mm < 1.0) {
            return '';
        }
        [$u, $v] = [($toX - $x) / $mm, ($toY - $y) / $mm];
        [$p, $q] = [-$v * $asideMm, $u * $asideMm];
        // A text is wider than it is high: it stands further off beside a line that goes up.
        $beside = self::BESIDE_MM * (1 + 2.2 * abs($v));
        $side = $asideMm < 0 ? -$beside : $beside;
        [$textX, $textY] = [($x + $toX) / 2 + $p - $v * $side, ($y + $toY) / 2 + $q + $u * $side];
        $said = sprintf('%.0f', $mm).($doubtMm > 0.0 ? sprintf(' ± %.0f', $doubtMm) : '').' mm';

        return $this->line($x + $p, $y + $q, $toX + $p, $toY + $q, 'stroke="#111" stroke-width="1.4"').
            $this->line($x, $y, $x + $p, $y + $q, 'stroke="#aaa" stroke-width="0.8"').
            $this->line($toX, $toY, $toX + $p, $toY + $q, 'stroke="#aaa" stroke-width="0.8"').
            sprintf(
                "<text x=\"%.1f\" y=\"%.1f\" text-anchor=\"middle\" fill=\"#111\">%s</text>\n",
                $textX * self::SCALE,
                $textY * self::SCALE + 4,
                $said,
            );
    }

    private function line(float $x, float $y, float $toX, float $toY, string $style): string
    {
        return '<polyline points="'.self::at($x, $y).' '.self::at($toX, $toY)."\" {$style} fill=\"none\"/>\n";
    }

    private static function at(float $x, float $y): string
    {
        return sprintf('%.1f,%.1f', $x * self::SCALE, $y * self::SCALE);
    }

    /**
     * @param array{float, float} $across from and to, mm
     * @param array{float, float} $down
     */
    private function sheet(string $title, string $drawn, array $across, array $down): string
    {
        [$left, $top] = [$across[0] * self::SCALE - self::MARGIN, $down[0] * self::SCALE - self::MARGIN];
        $width = ($across[1] - $across[0]) * self::SCALE + 2 * self::MARGIN;
        $height = ($down[1] - $down[0]) * self::SCALE + 2 * self::MARGIN;

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="%.1f %.1f %.1f %.1f" width="%.0f" height="%.0f"'.
                " font-family=\"sans-serif\" font-size=\"12\">\n<title>%s</title>\n".
                "<rect x=\"%.1f\" y=\"%.1f\" width=\"100%%\" height=\"100%%\" fill=\"#fff\"/>\n%s</svg>\n",
            $left,
            $top,
            $width,
            $height,
            $width,
            $height,
            htmlspecialchars($title, ENT_XML1),
            $left,
            $top,
            $drawn,
        );
    }
}
