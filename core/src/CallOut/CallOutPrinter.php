<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;

/** Says legs as a call-out line, such that reading it gives the same legs. */
final readonly class CallOutPrinter
{
    public function __construct(private Units $units) {}

    /** @param list<Leg> $legs */
    public function line(array $legs): string
    {
        return implode(' / ', array_map($this->phrase(...), $legs));
    }

    /** Says one leg; of a leg that was not read, its own words. */
    public function phrase(Leg $leg): string
    {
        if ($leg->unread !== null) {
            return $leg->unread;
        }
        $words = [$leg->way->value];
        if ($leg->turnDeg !== null) {
            $words[] = self::number($leg->turnDeg).'°';
        }
        if ($leg->isClose) {
            $words[] = 'close';
        }
        if ($leg->length !== null) {
            $words[] = TapePrinter::exact($leg->length, $this->units);
        }
        if ($leg->isToStop) {
            $words[] = 'to stop';
        }
        if ($leg->takes !== null) {
            $words[] = $leg->takes === 'rest' ? 'the rest' : 'fall shared';
        }
        $words = [...$words, ...$this->fall($leg)];
        if ($leg->size !== null) {
            $words[] = 'size '.$leg->size;
        }
        if ($leg->fitting !== null) {
            $words[] = Words::inWords($leg->fitting);
        }
        if ($leg->what !== '') {
            $words[] = '"'.str_replace('"', "'", $leg->what).'"';
        }

        return implode(' ', $words);
    }

    /** Says a leg back in full words: `4' 6 1/2" to the right, falling 1/4 in per ft`. */
    public function readBack(Leg $leg, ?float $fallMmPerM): string
    {
        if ($leg->unread !== null) {
            return 'not read yet';
        }
        $angle = $leg->turnDeg === null ? '' : ' by '.self::number($leg->turnDeg).'°';
        $way = match ($leg->way) {
            Way::On => 'straight on',
            Way::Ahead => 'ahead',
            Way::Back => 'back',
            Way::Left => 'to the left'.$angle,
            Way::Right => 'to the right'.$angle,
            Way::Up => $leg->turnDeg === null ? 'straight up' : 'rising'.$angle,
            Way::Down => $leg->turnDeg === null ? 'straight down' : 'going down'.$angle,
            default => $leg->way->value,
        };
        $length = match (true) {
            $leg->isClose => 'fitting in fitting,',
            $leg->takes === 'rest' => 'the rest of the levels,',
            $this->units === Units::Inch => TapePrinter::feet($leg->length ?? Length::nm(0)).
                ($leg->isToStop ? ' stop to stop' : ''),
            default => TapePrinter::millimetres($leg->length ?? Length::nm(0)).
                ' mm'.
                ($leg->isToStop ? ' stop to stop' : ''),
        };
        $fall = match (true) {
            $fallMmPerM === null => '',
            abs($fallMmPerM) < 0.005 => ', dead level',
            default => ', '.
                ($fallMmPerM < 0 ? 'rising ' : 'falling ').
                Fall::mmPerM(abs($fallMmPerM))->inWords($this->units),
        };

        return "{$length} {$way}{$fall}";
    }

    /** @return list<string> */
    private function fall(Leg $leg): array
    {
        if ($leg->drop !== null) {
            $rises = $leg->drop->nanometres < 0;

            return [
                ($rises ? 'rise ' : 'drop ').
                TapePrinter::exact($rises ? $leg->drop->negated() : $leg->drop, $this->units),
            ];
        }
        if ($leg->fallMmPerM === null) {
            return [];
        }
        if ($leg->fallMmPerM === 0.0) {
            return ['level'];
        }
        if ($this->units === Units::Inch) {
            $marks = ($leg->fallMmPerM / Fall::MM_PER_M_PER_IN_PER_FT) * 64;
            if (abs($marks - round($marks)) < Tolerance::ROUNDING && $marks > 0) {
                return [
                    'fall '.
                    TapePrinter::exact(Length::nm((int) round($marks) * intdiv(Length::NM_PER_INCH, 64)), Units::Inch),
                ];
            }
        }

        return ['fall '.self::number($leg->fallMmPerM).' mm/m'];
    }

    /** The shortest decimals that read back as the same number; no comma, no exponent. */
    private static function number(float $number): string
    {
        return rtrim(rtrim(number_format($number, 9, '.', ''), '0'), '.');
    }
}
