<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;

/**
 * Who holds what while a joint is made: what is joined already, or stands, is held still, and what is not is brought to
 * it. Of several that are made in one breath each is somebody's, and all are pushed home at one word.
 *
 * @phpstan-import-type DayStep from GlueClock
 *
 * @phpstan-type Held array{joint: string, who: int, does: string}
 */
final readonly class Hands
{
    /** @param float $farEndMm a longer piece has its far end on a stand */
    public function __construct(private RunLayout $layout, private RunTimes $times, private float $farEndMm) {}

    /**
     * @param list<DayStep> $steps of a day
     * @param list<string> $made numbers of joints that are made already
     * @return list<Held> by step, in their order; nothing for what is tried dry
     */
    public function of(array $steps, array $made): array
    {
        $joints = array_column($this->layout->joints, null, 'number');
        $stands = ['outlet' => true, 'tie-in' => true];
        foreach ($made as $number) {
            $stands += isset($joints[$number]) ? array_fill_keys(array_keys($this->sides($joints[$number])), true) : [];
        }
        $held = [];
        foreach (self::breaths($steps) as $breath) {
            foreach ($breath as $n => $step) {
                $joint = $joints[$step['joint']] ?? null;
                if ($joint !== null) {
                    array_push($held, ...$this->held($joint, $step, [$n, count($breath)], $stands));
                }
            }
            foreach ($breath as $step) {
                $sides = isset($joints[$step['joint']]) ? $this->sides($joints[$step['joint']]) : [];
                $stands += array_fill_keys(array_keys($sides), true);
            }
        }

        return $held;
    }

    /**
     * @param list<DayStep> $steps
     * @return list<list<DayStep>> joints that are let go of at one time by the same people are made in one breath
     */
    private static function breaths(array $steps): array
    {
        $breaths = [];
        foreach ($steps as $step) {
            if ($step['what'] === 'join') {
                $breaths[$step['until'].' '.implode(' ', $step['who'])][] = $step;
            }
        }

        return array_values($breaths);
    }

    /**
     * @param DayStep $step
     * @param array{int, int} $place which of how many that are made in one breath
     * @param array<string, true> $stands what is joined already, or stands, by key
     * @return list<Held>
     */
    private function held(Joint $joint, array $step, array $place, array $stands): array
    {
        [[$n, $count], $who] = [$place, $step['who']];
        $does = $count > 1
            ? [$n % count($who) => $this->inOneBreath($joint, $count)]
            : $this->ofOne($joint, count($who), $stands);
        $held = [];
        foreach ($does as $hand => $said) {
            $held[] = ['joint' => $step['joint'], 'who' => $who[$hand], 'does' => $said];
        }

        return $held;
    }

    private function inOneBreath(Joint $joint, int $count): string
    {
        $ready = $this->isCemented($joint) ? 'coats this joint' : 'makes this joint ready';
        $all = $count === 2 ? 'both' : "all {$count}";

        return "{$ready}; {$all} of this breath are pushed home at one word{$this->hold($joint)}";
    }

    /**
     * @param array<string, true> $stands
     * @return list<string> what each of the people on it does
     */
    private function ofOne(Joint $joint, int $people, array $stands): array
    {
        [$still, $moving] = $this->parted($joint, $stands);
        [$hold, $far] = [$this->hold($joint), $this->farEnds($joint)];
        $isCemented = $this->isCemented($joint);
        if ($people === 1) {
            $coats = $isCemented ? 'coats both, ' : '';

            return ["{$coats}keeps {$still} still and brings {$moving} home{$hold}{$far}"];
        }
        [$first, $second] = $isCemented ? ["coats {$still}, then ", "coats {$moving}, then "] : ['', ''];

        return [
            "{$first}keeps {$still} still against the push{$hold}",
            "{$second}brings {$moving} home{$hold}{$far}",
        ];
    }

    private function isCemented(Joint $joint): bool
    {
        return $this->times->times($joint)?->workingS !== null;
    }

    /** How long it is held once it is home. */
    private function hold(Joint $joint): string
    {
        $seconds = (int) round($this->times->times($joint)->holdS ?? 0.0);

        return $seconds > 0 ? ", and holds it {$seconds} s" : '';
    }

    /**
     * @param array<string, true> $stands
     * @return array{string, string} what is held still, and what is brought to it
     */
    private function parted(Joint $joint, array $stands): array
    {
        $sides = $this->sides($joint);
        [$first, $second] = array_keys($sides);
        // Where the run ends nothing is moved. On the bench the fitting is the lesser part, and is taken in the hand.
        $isEnd = in_array($second, ['outlet', 'tie-in'], true);
        $stillFirst = ! $isEnd && (isset($stands[$first]) || ! isset($stands[$second]));

        return $stillFirst ? [$sides[$first], $sides[$second]] : [$sides[$second], $sides[$first]];
    }

    /** @return array<string, string> names of the two that meet in a joint, by key: pipe before fitting */
    private function sides(Joint $joint): array
    {
        $sides = [];
        foreach ($this->pieces($joint) as $piece) {
            $sides["piece {$piece->key}"] = "piece {$piece->letter}";
        }
        foreach ($this->layout->fittings as $fitting) {
            if ($fitting->key === $joint->fitting) {
                $sides["fitting {$fitting->key}"] = "the {$fitting->part->name}";
            }
        }
        if (count($sides) < 2 && str_starts_with($joint->key, 'outlet')) {
            $sides['outlet'] = $this->layout->run->outlet->thing();
        }
        if (count($sides) < 2 && str_starts_with($joint->key, 'tie-in')) {
            $sides['tie-in'] = $this->layout->run->tieIn->thing();
        }

        return count($sides) === 2
            ? $sides
            : $sides + ['before' => 'what comes before it', 'after' => 'what comes after'];
    }

    /** @return list<Piece> of pipe that end in a joint */
    private function pieces(Joint $joint): array
    {
        return array_values(
            array_filter(
                $this->layout->pieces,
                static fn (Piece $piece): bool => in_array($joint->key, [$piece->jointFrom, $piece->jointTo], true),
            ),
        );
    }

    /** Which pieces at a joint have their far ends on a stand. */
    private function farEnds(Joint $joint): string
    {
        $letters = [];
        foreach ($this->pieces($joint) as $piece) {
            if ($piece->cutMm > $this->farEndMm) {
                $letters[] = $piece->letter;
            }
        }

        return $letters === [] ? '' : '; the far end of '.implode(' and of ', $letters).' rests on a stand';
    }
}
