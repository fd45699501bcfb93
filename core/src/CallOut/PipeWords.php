<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;

/**
 * What pipe is called on site: `PVC`, `no-hub iron`, `SDR 35`, `soil`; one word may be another pipe in another country.
 */
final readonly class PipeWords
{
    private const US = [
        'pvc dwv' => 'pvc-dwv-40',
        'schedule 40 pvc' => 'pvc-dwv-40',
        'sch 40 pvc' => 'pvc-dwv-40',
        'pvc' => 'pvc-dwv-40',
        'foam core pvc' => 'pvc-cellular-40',
        'cellular core pvc' => 'pvc-cellular-40',
        'pvc foam core' => 'pvc-cellular-40',
        'abs dwv' => 'abs-dwv-40',
        'abs' => 'abs-dwv-40',
        'foam core abs' => 'abs-cellular-40',
        'cellular core abs' => 'abs-cellular-40',
        'abs foam core' => 'abs-cellular-40',
        'no-hub iron' => 'ci-no-hub',
        'no hub iron' => 'ci-no-hub',
        'no-hub' => 'ci-no-hub',
        'no hub' => 'ci-no-hub',
        'hubless iron' => 'ci-no-hub',
        'hubless' => 'ci-no-hub',
        'cast iron' => 'ci-no-hub',
        'service iron' => 'ci-hub-service',
        'service weight iron' => 'ci-hub-service',
        'extra-heavy iron' => 'ci-hub-extra',
        'extra heavy iron' => 'ci-hub-extra',
        'copper dwv' => 'copper-dwv',
        'copper' => 'copper-dwv',
        'sdr 35' => 'pvc-sewer-sdr35',
        'sdr35' => 'pvc-sewer-sdr35',
        'sdr-35' => 'pvc-sewer-sdr35',
        'sewer pipe' => 'pvc-sewer-sdr35',
        'clay' => 'clay-c700',
        'galvanised steel' => 'steel-galvanised',
        'galvanized steel' => 'steel-galvanised',
        'galvanised' => 'steel-galvanised',
        'galvanized' => 'steel-galvanised',
        'steel' => 'steel-galvanised',
        'cpvc' => 'cpvc-cts',
        'acid waste' => 'pp-acid-waste',
    ];

    private const UK = [
        'soil pipe' => 'pvcu-soil',
        'soil' => 'pvcu-soil',
        'solvent waste' => 'pvcu-solvent',
        'solvent weld' => 'pvcu-solvent',
        'pvc-u waste' => 'pvcu-solvent',
        'pvc' => 'pvcu-solvent',
        'abs waste' => 'abs-solvent',
        'abs' => 'abs-solvent',
        'push-fit waste' => 'pp-push-fit',
        'push-fit' => 'pp-push-fit',
        'push fit' => 'pp-push-fit',
        'underground drain' => 'pvcu-underground',
        'underground' => 'pvcu-underground',
        'en 877 iron' => 'ci-en877',
        'en 877' => 'ci-en877',
        'en877' => 'ci-en877',
        'cast iron' => 'ci-en877',
        'iron' => 'ci-en877',
        'clay' => 'clay-en295',
    ];

    /** @param array<string, string> $words system by what it is called */
    private function __construct(private Catalogue $catalogue, private array $words) {}

    /** Those of the country that the rulebook of a job is of. */
    public static function of(Job $job, Catalogue $catalogue): self
    {
        $usual = $catalogue->system($catalogue->rulebook($job->rulebook)->usual->system);

        return new self($catalogue, $usual->region === 'uk' ? self::UK + self::US : self::US);
    }

    /**
     * Takes what is left to read, in small letters; gives the system that its beginning names, and the words that name
     * it.
     *
     * @return array{string, string}|null null where none is named
     */
    public function named(string $left): ?array
    {
        $words = array_map(strval(...), array_keys($this->words));
        usort($words, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        $either = implode('|', array_map(static fn (string $word): string => preg_quote($word, '/'), $words));
        $spaced = str_replace(' ', '\s+', $either);
        if (preg_match("/^(?:in\s+)?({$spaced})(?:\s+pipe)?(?=\s|$)/u", $left, $m) !== 1) {
            return null;
        }

        return [$this->words[(string) preg_replace('/\s+/', ' ', $m[1])], $m[0]];
    }

    /** Gives what a pipe is called on the line: the first of its words. */
    public function wordFor(string $system): string
    {
        return (string) array_search($system, $this->words, true);
    }

    /** Gives why runs cannot be called out in a system; null where they can. */
    public function refusal(string $system): ?string
    {
        if (in_array($system, $this->catalogue->laidKeys(), true)) {
            return null;
        }
        $named = $this->catalogue->system($system);

        return $named->isDrain
            ? "{$named->short} is not laid out here: no fittings of it are in the tables. Its ends are joined, at Look."
            : "{$named->short}: not for drains.";
    }
}
