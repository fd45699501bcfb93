<?php

declare(strict_types=1);

namespace FallBend\Core\Identify;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\PipeSystem;

/**
 * Ranks every pipe of the catalogue by how likely the evidence is if it is that pipe
 * (Bayes, all pipes equally common before):
 *
 * - Outside diameter: the pipe is anywhere in its maker's tolerance (an oval one further, for a calliper), the reading
 *   normal round it with half
 *   the stated error as standard deviation. Density of the reading: (Φ((x − low)/σ) − Φ((x − high)/σ)) / (high − low).
 * - Magnet: it holds on iron and steel and on nothing else; one that it speaks against is out.
 * - None of these: a pipe that no table here has may be as wide as any, and is as common as ten that the tables have;
 *   what else is
 *   seen of it says little. A pipe that a magnet speaks against is out, so that what is left is not taken for it.
 * - Wall, weight: normal round those of the catalogue, and out where they are far off; colour, print, joint, region: a
 *   factor for what does not agree, as listed below.
 *
 * The factors are this product's judgement, not measured frequencies; the share of 100 ranks, it does not prove.
 */
final readonly class Identifier
{
    /** What a contradiction leaves of a candidate. */
    private const OTHER_COLOUR = 0.08;

    private const OTHER_PRINT = 0.02;

    private const OTHER_JOINT = 0.04;

    private const OTHER_REGION = 0.02;

    /** A wall or a weight that is so unlikely of a pipe takes it out: about four standard deviations. */
    private const FAR_OFF = 5e-4;

    /** What each printed word that agrees is worth. */
    private const WORD = 6.0;

    /** Below this share of the best a candidate counts as excluded. */
    private const EXCLUDED = 0.002;

    /**
     * How common pipes are that no table here has, against one that the tables have; as wide as anything in mm, on a
     * log scale.
     */
    private const OTHERS = 10.0;

    private const NARROWEST_MM = 15.0;

    private const WIDEST_MM = 600.0;

    /** How likely an answer is of such a pipe, beside 1 for one of which it is always given. */
    private const OTHERS_ANSWER = 0.3;

    private const BELLS = ['iron-bell', 'clay-bell', 'ring-bell'];

    public function __construct(private Catalogue $catalogue) {}

    /**
     * Gives the likeliest first, those that are out at the end, the nearest diameter first. What their shares leave of
     * 1 is the share
     * of pipes that no table here has.
     *
     * @return list<Candidate>
     */
    public function candidates(Evidence $evidence): array
    {
        $words = $this->wordsSeen($evidence->print);
        $candidates = [];
        foreach ($this->catalogue->systemKeys() as $key) {
            $system = $this->catalogue->system($key);
            foreach ($system->pipes as $pipe) {
                $candidates[] = $this->weighed($system, $pipe, $evidence, $words);
            }
        }
        $none = self::others($evidence, $words);
        $in = array_filter($candidates, static fn (Candidate $c): bool => $c->out === null);
        $weights = array_map(static fn (Candidate $c): float => $c->weight, $in);
        $sum = array_sum($weights) + $none;
        $best = max([$none, ...$weights]);
        $ranked = array_map(static function (Candidate $c) use ($sum, $best): Candidate {
            $out = $c->out ?? ($c->weight < self::EXCLUDED * $best ? self::heaviest($c) : null);

            return new Candidate(
                $c->system,
                $c->pipe,
                $c->weight,
                $c->out === null ? $c->weight / $sum : 0.0,
                $c->facts,
                $out,
            );
        }, $candidates);
        usort(
            $ranked,
            static fn (Candidate $x, Candidate $y): int => [
                $x->out !== null,
                $x->out === null ? -$x->likelihood : abs($x->pipe->outsideMm - ($evidence->outsideMm ?? 0)),
            ] <=> [
                $y->out !== null,
                $y->out === null ? -$y->likelihood : abs($y->pipe->outsideMm - ($evidence->outsideMm ?? 0)),
            ],
        );

        return $ranked;
    }

    /** Whether a pipe is found in a joint; any bell is a bell, and a plastic socket may be taken for one. */
    public static function isFoundIn(PipeSystem $system, string $joint): float
    {
        return match (true) {
            $joint === 'none' => 1.0,
            in_array($joint, $system->jointsSeen, true) => 1.0,
            $joint === 'bell' && array_intersect(self::BELLS, $system->jointsSeen) !== [] => 1.0,
            $joint === 'bell' && in_array('solvent-socket', $system->jointsSeen, true) => 0.25,
            default => self::OTHER_JOINT,
        };
    }

    /** @param list<string> $words printed words that any pipe of the catalogue bears */
    private function weighed(PipeSystem $system, Pipe $pipe, Evidence $evidence, array $words): Candidate
    {
        $facts = [];
        $factors = ['diameter' => self::density($pipe, $evidence)];
        $peak = self::density($pipe, $evidence, $pipe->outsideMm);
        $facts[] = ['fact' => 'diameter', 'holds' => $factors['diameter'] > 0.05 * $peak];
        if ($evidence->magnet !== null) {
            $holds = $system->isMagnetic === $evidence->magnet;
            $factors['magnet'] = $holds ? 1.0 : 0.0;
            $facts[] = ['fact' => 'magnet', 'holds' => $holds];
        }
        if ($evidence->wallMm !== null) {
            $factors['wall'] = self::wall($pipe, $evidence->wallMm, $system->material);
            $facts[] = ['fact' => 'wall', 'holds' => $factors['wall'] > 0.3];
        }
        if ($evidence->kgPerM !== null) {
            $factors['weight'] = self::weight($pipe, $evidence->kgPerM);
            $facts[] = ['fact' => 'weight', 'holds' => $factors['weight'] > 0.3];
        }
        if ($evidence->colour !== '' && $evidence->colour !== 'painted') {
            $holds = in_array($evidence->colour, $system->colours, true);
            $factors['colour'] = $holds ? 1.0 : self::OTHER_COLOUR;
            $facts[] = ['fact' => 'colour', 'holds' => $holds];
        }
        if ($words !== []) {
            $agree = count(array_intersect($words, $system->prints));
            $factors['print'] = $agree === 0 ? self::OTHER_PRINT : self::WORD ** $agree;
            $facts[] = ['fact' => 'print', 'holds' => $agree > 0];
        }
        if ($evidence->joint !== '' && $evidence->joint !== 'none') {
            $factors['joint'] = self::isFoundIn($system, $evidence->joint);
            $facts[] = ['fact' => 'joint', 'holds' => $factors['joint'] >= 0.25];
        }
        if ($evidence->region !== '') {
            $factors['region'] = $system->region === $evidence->region ? 1.0 : self::OTHER_REGION;
            $facts[] = ['fact' => 'region', 'holds' => $system->region === $evidence->region];
        }

        $out = match (true) {
            $factors['diameter'] <= 1e-9 * $peak => 'diameter',
            isset($factors['magnet']) && $factors['magnet'] < 1.0 => 'magnet',
            ($factors['wall'] ?? 1.0) < self::FAR_OFF => 'wall',
            ($factors['weight'] ?? 1.0) < self::FAR_OFF => 'weight',
            default => null,
        };

        return new Candidate($system, $pipe, array_product($factors), 0.0, $facts, $out);
    }

    /**
     * How likely the evidence is if it is none of the catalogue's pipes, on the scale of the candidates' weights.
     *
     * @param list<string> $words printed words that any pipe of the catalogue bears
     */
    private static function others(Evidence $evidence, array $words): float
    {
        $reading = min(self::WIDEST_MM, max(self::NARROWEST_MM, $evidence->outsideMm ?? self::NARROWEST_MM));
        $density = $evidence->outsideMm === null ? 1.0 : 1 / ($reading * log(self::WIDEST_MM / self::NARROWEST_MM));

        return self::OTHERS *
            $density *
            ($evidence->magnet === null ? 1.0 : 0.5) *
            ($evidence->wallMm === null ? 1.0 : self::OTHERS_ANSWER) *
            ($evidence->kgPerM === null ? 1.0 : self::OTHERS_ANSWER) *
            // Lead and asbestos cement are grey, and so is most old metal.
            (in_array($evidence->colour, ['', 'painted', 'grey', 'silver'], true) ? 1.0 : self::OTHERS_ANSWER) *
            ($words === [] ? 1.0 : self::OTHER_PRINT) *
            (in_array($evidence->joint, ['', 'none'], true) ? 1.0 : self::OTHERS_ANSWER) *
            ($evidence->region === '' ? 1.0 : 0.5);
    }

    private static function density(Pipe $pipe, Evidence $evidence, ?float $at = null): float
    {
        $reading = $at ?? $evidence->outsideMm;
        if ($reading === null) {
            return 1.0;
        }
        $sigma = max($evidence->errorMm / 2, 0.08);
        [$low, $high] = [$pipe->outsideMm - max($pipe->minusMm, 0.05), $pipe->outsideMm + max($pipe->plusMm, 0.05)];

        return (self::phi(($reading - $low) / $sigma) - self::phi(($reading - $high) / $sigma)) / ($high - $low);
    }

    private static function wall(Pipe $pipe, float $seen, string $material): float
    {
        [$share, $least] = in_array($material, ['iron', 'clay'], true) ? [0.15, 0.4] : [0.08, 0.3];

        return self::likely($seen, $pipe->wallMm, $share * ($pipe->wallMm ?? 0.0) + $least);
    }

    /**
     * A piece is weighed on a bathroom scale and measured with a tape, and makers' walls differ: a tenth of its weight
     * is taken as one standard deviation, and no less than 0.05 kg per m.
     */
    private static function weight(Pipe $pipe, float $seen): float
    {
        return self::likely($seen, $pipe->kgPerM, max(0.1 * ($pipe->kgPerM ?? 0.0), 0.05));
    }

    /** How likely what is seen is, beside 1 for what the tables have; what they do not have is as likely as not. */
    private static function likely(float $seen, ?float $usual, float $sigma): float
    {
        return $usual === null ? 0.5 : max(1e-4, exp(-((($seen - $usual) / $sigma) ** 2) / 2));
    }

    /**
     * The distribution function of the normal distribution; Abramowitz and Stegun 7.1.26 for the error function, good
     * to 1.5e-7.
     */
    private static function phi(float $z): float
    {
        $x = abs($z) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $erf =
            1 -
            ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) *
                $t *
                exp(-$x * $x);

        return 0.5 * (1 + ($z < 0 ? -$erf : $erf));
    }

    /** @return list<string> */
    private function wordsSeen(string $print): array
    {
        if (trim($print) === '') {
            return [];
        }
        $words = [];
        $padded = ' '.preg_replace('/[^a-z0-9.\-]+/', ' ', $print).' ';
        foreach ($this->catalogue->systemKeys() as $key) {
            foreach ($this->catalogue->system($key)->prints as $word) {
                if (str_contains($padded, " {$word} ") || (strlen($word) > 3 && str_contains($padded, $word))) {
                    $words[$word] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($words));
    }

    /** The fact that speaks most against a candidate. */
    private static function heaviest(Candidate $candidate): string
    {
        foreach (['magnet', 'diameter', 'print', 'region', 'joint', 'colour', 'wall', 'weight'] as $fact) {
            foreach ($candidate->facts as $seen) {
                if ($seen['fact'] === $fact && ! $seen['holds']) {
                    return $fact;
                }
            }
        }

        return 'diameter';
    }
}
