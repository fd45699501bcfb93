<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Starts\Start;
use FallBend\Core\Starts\StartAnswer;
use FallBend\Core\Starts\StartMaker;
use FallBend\Core\Starts\Starts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Tasks that people come with, and the jobs that are made of their answers. Nothing is kept here. */
final readonly class StartController
{
    public function __construct(private Catalogue $catalogue, private JobFile $file) {}

    public function index(): JsonResponse
    {
        return new JsonResponse([
            'starts' => array_map(
                fn (Start $start): array => $start->toArray($this->catalogue),
                array_values(Starts::shipped()),
            ),
        ]);
    }

    /** The job that the answers so far make. */
    public function make(Request $request, string $start): JsonResponse
    {
        $asked = Starts::named($start) ?? abort(404, 'There is no such start.');
        $body = Fields::of($request->json()->all());
        $values = $body->child('values');
        $said = [];
        foreach ($values->keys(60) as $key) {
            $said[$key] = $values->stringOr($key, '', 200);
        }
        $empty = $this->file->read([
            ...JobFile::EMPTY,
            'name' => $body->string('name', 120),
            'units' => $asked->units()->value,
            'rulebook' => $body->choice('rulebook', array_column($asked->rulebooks($this->catalogue), 'key')),
        ]);
        $body->end();
        $made = (new StartMaker($this->catalogue))->make($asked, $said, $empty);
        $answer = (new StartAnswer($this->catalogue))->written($made);

        return new JsonResponse([
            // An empty map is none in JSON unless it is said.
            'answer' => ['problems' => (object) $answer['problems']] + $answer,
            'document' => $made->job === null ? null : $this->file->document($made->job),
        ]);
    }
}
