<?php

declare(strict_types=1);

namespace App\Print;

use Dompdf\Cpdf;

/**
 * Sheets of A4 or Letter, each upright or across, in full size: everything is placed in mm from the upper left corner,
 * in letters that know every alphabet.
 */
final class Paper
{
    public const MARGIN_MM = 14.0;

    /** A point is 1/72 in. */
    public const POINT_MM = 25.4 / 72;

    /** Shorter and longer side in mm (ISO 216; Letter is 8 1/2 by 11 in). */
    private const SIDES = ['A4' => [210.0, 297.0], 'LETTER' => [215.9, 279.4]];

    /** The letters that come with the library run wide: set at this share of the points asked for they read as well. */
    private const SHARE = 0.9;

    /** From line to line, in sizes of the letters. */
    private const LINE = 1.25;

    /**
     * From the top of a line to the foot of its letters, in sizes: they reach 0.928 above it and 0.236 below, and stand
     * in the middle of the line.
     */
    private const FOOT = 0.971;

    private readonly Cpdf $pdf;

    private float $width;

    private float $height;

    private bool $isBegun = false;

    /** @param string $paper `A4` or `LETTER` */
    public function __construct(private readonly string $paper)
    {
        [$this->width, $this->height] = self::SIDES[$paper];
        $this->pdf = new Cpdf(
            [0, 0, self::points($this->width), self::points($this->height)],
            true,
            // The measures of the letters, read once.
            storage_path('framework/cache/fonts'),
        );
        $this->pdf->addInfo('Creator', 'Fall Bend');
        // No viewer is to fit it to the page.
        $this->pdf->setPreferences(['PrintScaling' => 'None']);
    }

    /** Begins a sheet. */
    public function addPage(bool $isAcross = false): void
    {
        if ($this->isBegun) {
            $this->pdf->newPage();
        }
        [$short, $long] = self::SIDES[$this->paper];
        [$this->width, $this->height] = $isAcross ? [$long, $short] : [$short, $long];
        $box = ['info' => ['mediaBox' => [0, 0, self::points($this->width), self::points($this->height)]]];
        // What stands over all sheets is as the first one.
        $sized = $this->isBegun
            ? [$this->pdf->currentPage => $box]
            : [$this->pdf->currentNode => $box, $this->pdf->currentPage => $box];
        $this->pdf->objects = array_replace_recursive($this->pdf->objects, $sized);
        $this->isBegun = true;
    }

    /** Gives how wide a sheet is that lies across, in mm. */
    public function longMm(): float
    {
        return self::SIDES[$this->paper][1];
    }

    /** Gives how wide the sheet in hand is, in mm. */
    public function width(): float
    {
        return $this->width;
    }

    /** Gives how high the sheet in hand is, in mm. */
    public function height(): float
    {
        return $this->height;
    }

    /** Writes words; gives how high they stand, in mm. What is wider than its place goes on below. */
    public function words(Box $at, Letters $letters, string $text): float
    {
        $step = self::size($letters) * self::LINE * self::POINT_MM;
        $lines = $this->lines($text, $at->width, $letters);
        foreach ($lines as $i => $line) {
            $this->text($at->x, $at->y + $i * $step, $letters, $line);
        }

        return count($lines) * $step;
    }

    /** Gives how high words stand in a width, in mm. */
    public function heightOf(float $width, Letters $letters, string $text): float
    {
        return count($this->lines($text, $width, $letters)) * self::size($letters) * self::LINE * self::POINT_MM;
    }

    /** Writes one line in the middle of its place. */
    public function centred(Box $at, Letters $letters, string $text): void
    {
        $this->text($at->x + ($at->width - $this->widthOf($letters, $text)) / 2, $at->y, $letters, $text);
    }

    /** Writes one line as long as it is, from the upper left corner. */
    public function text(float $x, float $y, Letters $letters, string $text): void
    {
        $this->choose($letters);
        $this->pdf->setColor([0, 0, 0]);
        $size = self::size($letters);
        $this->pdf->addText(self::points($x), $this->up($y) - self::FOOT * $size, $size, $text);
    }

    /** Gives how wide a line is, in mm. */
    public function widthOf(Letters $letters, string $text): float
    {
        $this->choose($letters);

        return $this->pdf->getTextWidth(self::size($letters), $text) * self::POINT_MM;
    }

    /** Draws a thin line across. */
    public function rule(float $y, float $width = 0.2): void
    {
        $this->line([self::MARGIN_MM, $y], [$this->width - self::MARGIN_MM, $y], new Stroke($width));
    }

    /**
     * @param array{float, float} $from
     * @param array{float, float} $to
     */
    public function line(array $from, array $to, Stroke $stroke): void
    {
        $this->pick($stroke);
        $this->pdf->line(self::points($from[0]), $this->up($from[1]), self::points($to[0]), $this->up($to[1]));
    }

    public function frame(Box $at, Stroke $stroke): void
    {
        $this->pick($stroke);
        $this->pdf->rectangle(...$this->corners($at));
    }

    /** Leaves nothing of what is drawn there so far. */
    public function blank(Box $at): void
    {
        $this->pdf->setColor([1, 1, 1]);
        $this->pdf->filledRectangle(...$this->corners($at));
    }

    /** Fills a place with black. */
    public function filled(Box $at): void
    {
        $this->pdf->setColor([0, 0, 0]);
        $this->pdf->filledRectangle(...$this->corners($at));
    }

    /** @param array{float, float} $at its middle */
    public function circle(array $at, float $radiusMm, Stroke $stroke): void
    {
        $this->pick($stroke);
        $this->pdf->ellipse(self::points($at[0]), $this->up($at[1]), self::points($radiusMm));
    }

    /**
     * Draws what the call draws, as far as it lies in a place.
     *
     * @param callable(): void $draw
     */
    public function within(Box $at, callable $draw): void
    {
        $this->pdf->clippingRectangle(...$this->corners($at));
        $draw();
        $this->pdf->clippingEnd();
    }

    /**
     * Shows a picture as large as it fits in a place, in its middle.
     *
     * @param string $jpeg its bytes
     * @return bool false where it is none that can be printed
     */
    public function picture(Box $at, string $jpeg): bool
    {
        $size = @getimagesizefromstring($jpeg);
        if ($size === false || $size[2] !== IMAGETYPE_JPEG || $size[0] < 1 || $size[1] < 1) {
            return false;
        }
        $scale = min($at->width / $size[0], $at->height / $size[1]);
        [$wide, $high] = [$size[0] * $scale, $size[1] * $scale];
        $file = (string) tempnam(sys_get_temp_dir(), 'fall-bend-picture');
        try {
            file_put_contents($file, $jpeg);
            $this->pdf->addJpegFromFile(
                $file,
                self::points($at->x + ($at->width - $wide) / 2),
                self::points($this->height - $at->y - ($at->height + $high) / 2),
                (int) round(self::points($wide)),
                (int) round(self::points($high)),
            );
        } finally {
            unlink($file);
        }

        return true;
    }

    /** Gives the file. */
    public function output(): string
    {
        return $this->pdf->output();
    }

    /**
     * @return list<string> a text as it goes into a width: parted at its spaces, a word that is too wide within it
     */
    private function lines(string $text, float $width, Letters $letters): array
    {
        $lines = [];
        foreach (explode("\n", $text) as $paragraph) {
            $line = '';
            foreach (explode(' ', $paragraph) as $word) {
                $longer = $line === '' ? $word : "{$line} {$word}";
                if ($this->widthOf($letters, $longer) <= $width) {
                    $line = $longer;

                    continue;
                }
                if ($line !== '') {
                    $lines[] = $line;
                }
                $parts = $this->parts($word, $width, $letters);
                $line = array_pop($parts);
                array_push($lines, ...$parts);
            }
            $lines[] = $line;
        }

        return $lines;
    }

    /** @return non-empty-list<string> a word in as many parts as it takes */
    private function parts(string $word, float $width, Letters $letters): array
    {
        $parts = [''];
        foreach (mb_str_split($word) as $letter) {
            $last = count($parts) - 1;
            if ($parts[$last] !== '' && $this->widthOf($letters, $parts[$last].$letter) > $width) {
                $parts[] = $letter;
            } else {
                $parts[$last] .= $letter;
            }
        }

        return $parts;
    }

    private function choose(Letters $letters): void
    {
        $name = $letters->isBold ? 'DejaVuSans-Bold' : 'DejaVuSans';
        $this->pdf->selectFont(base_path("vendor/dompdf/dompdf/lib/fonts/{$name}"));
    }

    private function pick(Stroke $stroke): void
    {
        $this->pdf->setStrokeColor([$stroke->grey, $stroke->grey, $stroke->grey]);
        $this->pdf->setLineStyle(
            round(self::points($stroke->widthMm), 3),
            'butt',
            'miter',
            array_map(static fn (float $mm): float => round(self::points($mm), 3), $stroke->dashMm),
        );
    }

    /** @return array{float, float, float, float} from the lower left corner of the sheet, in points */
    private function corners(Box $at): array
    {
        return [
            self::points($at->x),
            $this->up($at->y + $at->height),
            self::points($at->width),
            self::points($at->height),
        ];
    }

    /** Gives the size in points that letters are set in: tenths, as the file says it. */
    private static function size(Letters $letters): float
    {
        return round($letters->points * self::SHARE, 1);
    }

    private static function points(float $mm): float
    {
        return $mm / self::POINT_MM;
    }

    /** Gives how far over the lower edge of the sheet, in points. */
    private function up(float $y): float
    {
        return self::points($this->height - $y);
    }
}
