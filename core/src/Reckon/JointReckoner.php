<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Joining\InstructionCard;
use FallBend\Core\Joining\JointDecision;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\SourceList;

/**
 * What joins any two ends: ranked methods with parts, lengths, steps and times, and every other method with the reason
 * why not.
 */
final readonly class JointReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'joint';
    }

    public function summary(): string
    {
        return 'what joins two pipe ends: methods with parts, allowance, steps and times, best first, and what is refused and why';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $a = PipeEnd::read($input->child('a'), $catalogue);
        $b = PipeEnd::read($input->child('b'), $catalogue);
        $place = Place::read($input);
        $conditions = Conditions::read($input);
        $rulebook = $catalogue
            ->rulebook($input->choice('rulebook', $catalogue->rulebookKeys()))
            ->with($overrides->rulebook);
        $units = Units::from(
            $input->has('units')
                ? $input->choice('units', ['inch', 'mm'])
                : ($rulebook->units === 'mm'
                    ? 'mm'
                    : 'inch'),
        );
        $input->end();
        $decision = (new JointDecision($catalogue))->between($a, $b, $place, $rulebook);
        $card = new InstructionCard($catalogue, $units);
        $methods = array_map(
            static fn ($offer): array => $card->offer($offer, $a, $b, $place, $rulebook, $conditions),
            $decision->offers,
        );
        $sources = [$a->pipe->provenance, $b->pipe->provenance];
        foreach ($decision->offers as $offer) {
            $sources = [...$sources, ...$card->sources($offer, $a, $b, $rulebook, $conditions)];
        }
        foreach ($decision->refusals as $refusal) {
            if ($refusal->source !== null) {
                $sources[] = $refusal->source;
            }
        }

        return [
            'methods' => $methods,
            'refused' => array_map($card->refusal(...), $decision->refusals),
            'findings' => [],
            'sources' => SourceList::list($sources),
        ];
    }
}
