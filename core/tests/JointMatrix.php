<?php

declare(strict_types=1);

namespace FallBend\Core\Tests;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Joining\Decision;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\JointDecision;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;

/**
 * Every pair of ends that really occur, in every place, under every rulebook: what the decision of a joint must hold
 * for.
 */
final class JointMatrix
{
    /** What each cement welds: kept here once more, apart from the code that decides. */
    private const WELDS = [
        'solvent-pvc' => ['pvc', 'pvc'],
        'solvent-abs' => ['abs', 'abs'],
        'solvent-transition' => ['abs', 'pvc'],
    ];

    /** @var list<PipeEnd> */
    public readonly array $ends;

    /** @var list<Place> */
    public readonly array $places;

    /** @var list<Rulebook> */
    public readonly array $books;

    private readonly JointDecision $decision;

    public function __construct()
    {
        $catalogue = Catalogue::shipped();
        $ends = [];
        foreach ($catalogue->systemKeys() as $key) {
            $system = $catalogue->system($key);
            foreach ($system->sizes() as $size) {
                foreach ($system->ends as $kind) {
                    $end = PipeEnd::of($system, $size, EndKind::from($kind));
                    // One end for each material, diameter and kind: pipes of one name that differ in nothing else are
                    // the same to every decision.
                    $ends["{$end->stuff}/{$end->outsideMm}/{$kind}"] ??= $end;
                }
            }
        }
        $this->ends = array_values($ends);
        $places = [];
        foreach (Place::GROUNDS as $ground) {
            foreach (Place::ACCESSES as $access) {
                $places[] = new Place($ground, $access);
            }
        }
        $this->places = $places;
        $this->books = array_map($catalogue->rulebook(...), $catalogue->rulebookKeys());
        $this->decision = new JointDecision($catalogue);
    }

    /** How many cases there are, each unordered pair once. */
    public function count(): int
    {
        $n = count($this->ends);

        return intdiv($n * ($n + 1), 2) * count($this->places) * count($this->books);
    }

    /** Decides one case in both orders; gives what is wrong with it, or null. */
    public function fault(PipeEnd $a, PipeEnd $b, Place $place, Rulebook $book): ?string
    {
        $decision = $this->decision->between($a, $b, $place, $book);
        $turned = $this->decision->between($b, $a, $place, $book);
        $fault = match (true) {
            count($decision->offers) + count($decision->refusals) !== count(Method::cases()) => 'not every method is answered',
            ! self::areTheSame($decision, $turned) => 'the two orders differ',
            default => self::offerFault($decision, $a, $b, $place),
        };

        return $fault === null
            ? null
            : "{$a->key} to {$b->key}, {$place->ground}, {$place->access}, {$book->id}: {$fault}";
    }

    private static function areTheSame(Decision $one, Decision $other): bool
    {
        if (count($one->offers) !== count($other->offers)) {
            return false;
        }
        foreach ($one->offers as $i => $offer) {
            // The other was asked the other way round.
            $same = $other->offers[$i]->turned();
            if (
                $offer->method !== $same->method ||
                $offer->insertAMm !== $same->insertAMm ||
                $offer->insertBMm !== $same->insertBMm ||
                $offer->gapMm !== $same->gapMm ||
                $offer->parts !== $same->parts
            ) {
                return false;
            }
        }
        foreach ($one->refusals as $i => $refusal) {
            $same = $other->refusals[$i];
            if ($refusal->method !== $same->method || $refusal->reason !== $same->reason) {
                return false;
            }
        }

        return true;
    }

    private static function offerFault(Decision $decision, PipeEnd $a, PipeEnd $b, Place $place): ?string
    {
        foreach ($decision->offers as $offer) {
            $materials = [$a->system->material, $b->system->material];
            sort($materials);
            if (in_array('cpvc', $materials, true)) {
                return 'water tube is joined to a drain';
            }
            if (isset(self::WELDS[$offer->method->value]) && $materials !== self::WELDS[$offer->method->value]) {
                return 'cement on what it does not weld';
            }
            if ($offer->method === Method::SolventUkWaste && array_diff($materials, ['abs-uk', 'pvc-u']) !== []) {
                return 'waste cement on what it does not weld';
            }
            if ($offer->method === Method::FlexibleUnshielded && $place->ground === 'above') {
                return 'a bare rubber sleeve above ground';
            }
            foreach ($offer->parts as $part) {
                if ($part instanceof Coupling && ! self::isInRange($part, $a, $b)) {
                    return "{$part->id} outside its range";
                }
            }
        }
        foreach ($decision->refusals as $refusal) {
            if ($refusal->reason === '') {
                return "{$refusal->method->value} refused without a reason";
            }
        }

        return null;
    }

    private static function isInRange(Coupling $coupling, PipeEnd $a, PipeEnd $b): bool
    {
        [$first, $second] = $coupling->sides;
        $in = static fn ($range, PipeEnd $end): bool => $end->outsideMm >= $range->lowMm - 1e-6 &&
            $end->outsideMm <= $range->highMm + 1e-6;

        return ($in($first, $a) && $in($second, $b)) || ($in($first, $b) && $in($second, $a));
    }
}
