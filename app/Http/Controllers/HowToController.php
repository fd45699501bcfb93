<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Measure\Units;
use FallBend\Core\Starts\HowTo;
use FallBend\Core\Starts\HowTos;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** How things are done that are no run of pipe, with what was measured for them. */
final readonly class HowToController
{
    public function __construct(private Catalogue $catalogue, private JobFile $file) {}

    public function index(Request $request): JsonResponse
    {
        $query = Fields::of($request->query());
        $units = $query->has('units') ? $query->enum('units', Units::class) : Units::Inch;

        return new JsonResponse([
            'how_to' => array_map(
                fn (HowTo $one): array => $one->toArray($units, $this->catalogue),
                HowTos::shipped(),
            ),
        ]);
    }

    public function answer(Request $request, string $howTo): JsonResponse
    {
        $asked = HowTos::named($howTo) ?? abort(404, 'There is no such thing here.');
        $body = Fields::of($request->json()->all());
        $values = $body->child('values');
        $said = [];
        foreach ($values->keys(40) as $key) {
            $said[$key] = $values->stringOr($key, '', 200);
        }
        $units = $body->enum('units', Units::class);
        $body->end();
        $answer = $asked->answer($said, $this->in($units), $this->catalogue);

        // An empty map is none in JSON unless it is said.
        return new JsonResponse(['problems' => (object) $answer['problems']] + $answer);
    }

    /** An empty job in those units: lengths are read and said as in it. */
    private function in(Units $units): Job
    {
        return $this->file->read([
            ...JobFile::EMPTY,
            'name' => 'How to',
            'units' => $units->value,
            'rulebook' => $units === Units::Inch ? 'ipc-2021' : 'adh-2015',
        ]);
    }
}
