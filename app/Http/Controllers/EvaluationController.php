<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CrewNumbers;
use App\Files\JobCsv;
use App\Models\User;
use App\Print\WrapPdf;
use FallBend\Core\Buying\Materials;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Drawing\DxfWriter;
use FallBend\Core\Drawing\GltfWriter;
use FallBend\Core\Drawing\RunViews;
use FallBend\Core\Drawing\SvgWriter;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Evaluation\JointCard;
use FallBend\Core\Evaluation\Tape;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\GroupCopy;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Run;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\MakeUp\RunClosing;
use FallBend\Core\MakeUp\RunMakeUp;
use FallBend\Core\MakeUp\RunOrder;
use FallBend\Core\MakeUp\WrapTemplate;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;
use FallBend\Core\Reckon\Reckoners;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The one evaluation end-point, and the single reckoners. Both read the body themselves: an empty text is a text here. */
final readonly class EvaluationController
{
    public function evaluate(Request $request, JobFile $file, JobEvaluator $evaluator, CrewNumbers $crew): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $document = $body->raw('document');
        $callOut = $body->childOrNull('call_out');
        $said = $callOut === null ? null : ['run' => $callOut->string('run', 40), 'text' => $callOut->stringOr('text', '', 20_000)];
        $callOut?->end();
        $body->end();
        $evaluated = $evaluator->evaluate($file->read(is_array($document) ? $document : []), $said, $crew->of(self::crewId($request)));

        return new JsonResponse(['document' => $file->document($evaluated['job']), 'evaluation' => $evaluated['evaluation']]);
    }

    /** A run with all that meets it once more, or several times more. */
    public function repeat(Request $request, JobFile $file, JobEvaluator $evaluator, CrewNumbers $crew): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $document = $body->raw('document');
        $job = $file->read(is_array($document) ? $document : []);
        $run = $body->choice('run', array_map(static fn (Run $run): string => $run->id, $job->runs));
        $copied = GroupCopy::of($job, $run, $body->number('step_mm', -100_000, 100_000), $body->int('times', 1, 50), $body->bool('mirrored', false));
        $body->end();
        $evaluated = $evaluator->evaluate($copied, null, $crew->of(self::crewId($request)));

        return new JsonResponse(['document' => $file->document($evaluated['job']), 'evaluation' => $evaluated['evaluation']]);
    }

    /** The ways of making up the pipe between two ends of a run. */
    public function makeUp(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $document = $body->raw('document');

        return new JsonResponse((new RunMakeUp($catalogue, $file))->answer($file->read(is_array($document) ? $document : []), $body, $crew->of(self::crewId($request))));
    }

    /** In what order a run goes together where its ends stand. */
    public function order(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [, $layout, $own] = self::laidOut($request, $body, $file, $crew, $catalogue);
        $body->end();

        return new JsonResponse(['order' => RunOrder::of($layout)?->toArray(), 'closing' => (new RunClosing($layout, $own))->toArray()]);
    }

    /** Where a run is hung, and what hangs between two hangers. */
    public function hang(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own, $book] = self::laidOut($request, $body, $file, $crew, $catalogue);
        $body->end();

        return new JsonResponse((new RunHanging($layout, $job, $own, $book))->toArray());
    }

    /** What is to be cut now, and from which sticks. */
    public function cut(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own] = self::wholeJob($request, $body, $file, $crew, $catalogue);
        $run = $body->choice('run', array_map(static fn (Run $run): string => $run->id, $job->runs));
        $body->end();

        return new JsonResponse((new JobCutting($layout, $job, $own))->ofRun($run));
    }

    /** All that the job takes, by shelf. */
    public function materials(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own, $book] = self::wholeJob($request, $body, $file, $crew, $catalogue);
        $body->end();
        $rows = (new Materials($layout, $job, $own, $book))->rows();
        $prices = array_filter(array_column($rows, 'price'), static fn (?float $price): bool => $price !== null);

        return new JsonResponse(['rows' => $rows, 'total' => $prices === [] ? null : array_sum($prices)]);
    }

    /** One list of the job as a table. */
    public function csv(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): Response
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own, $book] = self::wholeJob($request, $body, $file, $crew, $catalogue);
        $list = $body->choice('list', JobCsv::LISTS);
        $body->end();

        return new Response((new JobCsv($layout, $job, $own, $book))->of($list), 200, ['Content-Type' => 'text/csv; charset=UTF-8']);
    }

    /** @return array{Job, JobLayout, Catalogue, Rulebook} the job laid out, with the crew's numbers and its own */
    private static function wholeJob(Request $request, Fields $body, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): array
    {
        $document = $body->raw('document');
        $job = $file->read(is_array($document) ? $document : []);
        $own = $crew->of(self::crewId($request));
        [$catalogue, $book] = [$job->catalogue($catalogue, $own), $job->book($catalogue, $own)];

        return [$job, (new JobCompiler($catalogue, $book, $job))->compile(), $catalogue, $book];
    }

    /** Wrap strips of a run in full size: of one piece as SVG, of all of them as PDF. */
    public function wrap(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): Response
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout] = self::laidOut($request, $body, $file, $crew, $catalogue);
        $keys = array_map(static fn (Piece $piece): string => $piece->key, $layout->pieces);
        $isPdf = $body->choice('format', ['svg', 'pdf']) === 'pdf';
        $chosen = $isPdf ? $keys : [$body->choice('piece', $keys)];
        $paper = $body->has('paper') ? $body->choice('paper', ['A4', 'LETTER']) : ($job->units === Units::Inch ? 'LETTER' : 'A4');
        $body->end();
        $templates = array_values(array_filter(array_map(static fn (string $key): ?WrapTemplate => WrapTemplate::ofPiece($layout, $key, $job->units), $chosen)));
        if ($templates === []) {
            throw BadInput::at('run', 'has no piece of pipe to wrap', $layout->run->id);
        }

        return $isPdf ? new Response(WrapPdf::of($templates, $paper), 200, ['Content-Type' => 'application/pdf']) : new Response($templates[0]->svg(), 200, ['Content-Type' => 'image/svg+xml']);
    }

    /** A run as a drawing in an open format: lines from one side, or the model. */
    public function drawing(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): Response
    {
        $body = Fields::of($request->json()->all());
        [, $layout] = self::laidOut($request, $body, $file, $crew, $catalogue);
        $format = $body->choice('format', ['dxf', 'svg', 'gltf']);
        $view = $format === 'gltf' ? null : $body->choice('view', RunViews::VIEWS);
        $body->end();
        if ($layout->pieces === []) {
            throw BadInput::at('run', 'has no piece of pipe to draw', $layout->run->id);
        }
        $lines = $view === null ? null : (new RunViews($layout))->of($view);

        return match (true) {
            $lines === null => new Response(GltfWriter::write($layout), 200, ['Content-Type' => 'model/gltf+json']),
            $format === 'dxf' => new Response(DxfWriter::write($lines), 200, ['Content-Type' => 'image/vnd.dxf']),
            default => new Response(SvgWriter::write($lines, $layout->run->name), 200, ['Content-Type' => 'image/svg+xml']),
        };
    }

    /** Everything about one joint of a job. */
    public function joint(Request $request, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $document = $body->raw('document');
        $card = new JointCard($catalogue, $file->read(is_array($document) ? $document : []), $crew->of(self::crewId($request)));
        $answer = $body->has('single') ? $card->ofSingle($body->string('single', 40)) : $card->ofRun($body->string('run', 40), $body->string('joint', 60));
        $body->end();

        return new JsonResponse($answer);
    }

    /** Reads one length as a tape says it. */
    public function length(Request $request): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $units = Units::from($body->choice('units', ['inch', 'mm']));
        try {
            return new JsonResponse((new Tape)->of((new TapeReader($units))->read($body->string('text', 60))->toMm()));
        } catch (UnreadableLength $unreadable) {
            throw BadInput::at('text', $unreadable->getMessage());
        }
    }

    /** @return array{Job, RunLayout, Catalogue, Rulebook} the job, the run of it that is asked for, laid out, and the numbers with the crew's and its own */
    private static function laidOut(Request $request, Fields $body, JobFile $file, CrewNumbers $crew, Catalogue $catalogue): array
    {
        [$job, $layout, $catalogue, $book] = self::wholeJob($request, $body, $file, $crew, $catalogue);

        return [$job, $layout->runs[$body->choice('run', array_map(static fn (Run $run): string => $run->id, $job->runs))], $catalogue, $book];
    }

    private static function crewId(Request $request): ?int
    {
        $user = $request->user();

        return $user instanceof User ? $user->crews->first()?->id : null;
    }

    public function reckon(Request $request, string $name, Reckoners $reckoners): JsonResponse
    {
        abort_unless($reckoners->has($name), 404);

        return new JsonResponse($reckoners->reckonJson($name, $request->getContent()));
    }
}
