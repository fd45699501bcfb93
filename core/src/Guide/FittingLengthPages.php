<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Catalog\BranchKind;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FittingFamily;

/**
 * Writes how long fittings are reckoned to be: a drawing for each kind, what families leave beyond the pipes, how well
 * stated lengths are met. All of it comes from the data.
 *
 * @phpstan-import-type LeftOut from LeaveOneOut
 */
final readonly class FittingLengthPages
{
    /** A fitting to draw of each kind: system, row, title, how it is reckoned. */
    private const DRAWN = [
        [
            'bend',
            'pvc-dwv-40',
            'sixth/3',
            'Bends',
            'R · tan(θ / 2) and a straight before the stop. R and the straight are solved from the stated 1/4 '.
                'and 1/8 bend of the size; sizes without them follow as both go with the outside of the pipe.',
        ],
        [
            'sweep',
            'pvc-dwv-40',
            'long-sweep/3',
            'Sweeps',
            'The same with a radius of their own: of a long sweep one and a half times that of the short '.
                'bend, where no row states another.',
        ],
        [
            'wye',
            'pvc-dwv-40',
            'wye/3x2',
            'Wyes and branches under 90°',
            'The ends of the pipes must not meet in the crotch: inlet (ρb + ρr·cos β) / sin β, branch (ρr + '.
                'ρb·cos β) / sin β, each with the web of the crotch; outlet (ρb − ρr·cos β) / sin β, never under '.
                'nothing, with what is left at an outlet.',
        ],
        [
            'tee',
            'pvc-dwv-40',
            'san-tee/3x2',
            'Sanitary tees, and doubles',
            'Branch: what the short 1/4 bend of the branch takes, with ρr − ρb where the run is larger; '.
                'outlet: the same bend; inlet: ρb and a web.',
        ],
        [
            'fixture',
            'pvc-dwv-40',
            'double-fixture/3x2',
            'Double fixture fittings',
            'As a tee, with the radius of a long sweep.',
        ],
        [
            'combo',
            'pvc-dwv-40',
            'combo/3x2',
            'Combinations, and doubles',
            'A wye whose branch goes on into a 1/8 bend where the bores part: the branch crosses the run '.
                'above the centre of the wye by m · cos 45°, m from the crotch of the bores and the tangent of '.
                'the bend. The inlet is never under ρb and a web.',
        ],
        ['vent', 'pvc-dwv-40', 'vent-tee/3x2', 'Vent tees', 'No sweep: ρb and ρr with a web.'],
        [
            'swept',
            'pvcu-soil',
            'swept-tee/110',
            'Swept tees',
            'The throat that the book asks for: branch ρr and throat, outlet ρb and throat, inlet ρb, each '.
                'with a web. Sockets for rings are wider than their pipes: ρ is that of the socket.',
        ],
        ['boss', 'pvcu-soil', 'boss/110x50', 'Bosses', 'Branch: ρr and a web to the stop.'],
        [
            'closet',
            'pvc-dwv-40',
            'closet/4x3',
            'Closet bends',
            'Of two sizes: the sweep is that of the smaller one, each end has the straight of its own size, and the '.
                'smaller pipe ends clear of the larger one: never under ρ of that and a web.',
        ],
        [
            'hub-bend',
            'ci-hub-service',
            'eighth/4',
            'Bends of hub-and-spigot iron',
            'What comes stands in the hub: R · tan(θ / 2) and a short straight to its bottom. The spigot goes into '.
                'the hub of what follows: R · tan(θ / 2) and a straight as long as that hub is deep and about 1 in.',
        ],
        [
            'hub-wye',
            'ci-hub-service',
            'wye/4x2',
            'Branches of hub-and-spigot iron',
            'As others, with ρ that of the hub; the outlet goes on to the end of the spigot.',
        ],
    ];

    public function __construct(private Catalogue $catalogue) {}

    /** @return array<string, string> text by file name, from docs/ */
    public function files(): array
    {
        $files = ['fitting-lengths.md' => $this->page()];
        foreach (self::DRAWN as [$name, $system, $row]) {
            $pipes = $this->catalogue->system($system);
            $picture = new FittingPicture($pipes);
            $bend = $pipes->bends[$row] ?? null;
            $files["fitting-lengths/{$name}.svg"] =
                $bend !== null ? $picture->bend($bend) : $picture->branch($pipes->branches[$row]);
        }

        return $files;
    }

    private function page(): string
    {
        $text =
            "# How long fittings are\n\n".
            'Written by `php artisan rules:pages` from `core/data/fitting-lengths.json` and `core/data/catalogue/`. '.
            "Do not edit here.\n\n".
            'Hardly any table states the lengths of branch fittings. They are not arbitrary: a moulder makes a '.
            'fitting as short as the pipes in it and its sweep allow. So they are reckoned, from where the axes '.
            "cross to where\nthe pipe comes to rest, and carry a doubt: a piece that ends in one is cut long ".
            'by it, tried dry, and '.
            "trimmed. What a crew measured goes before, and goes into the others of its kind.\n\n".
            '`ρr` and `ρb` are half the outsides of run and branch, `β` the angle between the branch and the inlet, '.
            "`θ` the turn of a bend. The drawings are to scale; lengths without ± are stated.\n";
        foreach (self::DRAWN as [$name, , $row, $title, $how]) {
            $text .= "\n## {$title}\n\n{$how}\n\n![{$row}](fitting-lengths/{$name}.svg)\n";
        }

        return $text.$this->families().$this->leftOut();
    }

    private function families(): string
    {
        $kinds = array_values(array_unique(array_map(
            static fn (BranchKind $kind): string => $kind->doubt(),
            BranchKind::cases(),
        )));
        $named = array_map(static fn (string $kind): string => str_replace('_mm', '', $kind), $kinds);
        $text =
            "\n## What is left beyond the pipes\n\nIn mm; doubts of pipe up to 4 in, of larger pipe they grow with ".
            "its outside.\n\n| family | systems | crotch | outlet | inlet | socket wider by | straight | ".
            'doubt: bend | sweep | '.
            implode(' | ', $named).
            " | source |\n|---|---|---|---|---|---|---|---|---|".
            str_repeat('---|', count($kinds) + 1).
            "\n";
        $systems = [];
        $families = [];
        foreach ($this->catalogue->systemKeys() as $key) {
            $family = $this->catalogue->family($key);
            if ($family !== null) {
                $systems[$family->id][] = "`{$key}`";
                $families[$family->id] = $family;
            }
        }

        return $text.
            implode(
                '',
                array_map(
                    static fn (FittingFamily $family): string => "| {$family->id} | ".
                        implode(', ', $systems[$family->id]).
                        " | {$family->crotchMm} | {$family->outletMm} | {$family->inletMm} | {$family->housingMm}".
                        " | {$family->straightMm} | ± {$family->doubts['bend_mm']}".
                        " | ± {$family->doubts['sweep_mm']} | ".
                        implode(
                            ' | ',
                            array_map(static fn (string $kind): string => "± {$family->doubts[$kind]}", $kinds),
                        ).
                        " | {$family->provenance->source}. {$family->provenance->note} |\n",
                    array_values($families),
                ),
            );
    }

    private function leftOut(): string
    {
        $lengths = (new LeaveOneOut($this->catalogue))->lengths();
        $within = count(
            array_filter(
                $lengths,
                static fn (array $one): bool => abs($one['reckoned_mm'] - $one['stated_mm']) <= $one['doubt_mm'],
            ),
        );
        $text =
            "\n## How well stated lengths are met\n\nEach length that a table states is taken out and reckoned ".
            "from all others. {$within} of ".
            count($lengths).
            " lie within the doubt that is said of them.\n\n".
            "| system | fitting | length | stated | reckoned | off by | doubt |\n|---|---|---|---|---|---|---|\n";
        foreach ($lengths as $one) {
            $text .= sprintf(
                "| %s | %s | %s | %.1f | %.1f | %+.1f | ± %.1f |\n",
                $one['system'],
                $one['row'],
                str_replace(['_mm', '_'], ['', ' '], $one['length']),
                $one['stated_mm'],
                $one['reckoned_mm'],
                round($one['reckoned_mm'] - $one['stated_mm'], 1) + 0.0,
                $one['doubt_mm'],
            );
        }

        return $text;
    }
}
