<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EvaluateJob;
use App\Files\DayCalendar;
use App\Files\JobCsv;
use App\Log\JobLog;
use App\Models\Job;
use App\Print\DrawingPdf;
use App\Print\TicketPdf;
use App\Print\WrapPdf;
use FallBend\Core\Drawing\DxfWriter;
use FallBend\Core\Drawing\GltfWriter;
use FallBend\Core\Drawing\LineDrawing;
use FallBend\Core\Drawing\RunViews;
use FallBend\Core\Drawing\SvgWriter;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\MakeUp\WrapTemplate;
use FallBend\Core\Measure\Units;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Sequence\DoneJoints;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What leaves the product as a file: tables, drawings, paper. */
final readonly class FileController
{
    public function __construct(private EvaluateJob $evaluate) {}

    /** One list of the job as a table. */
    public function csv(Request $request, Effort $effort): Response
    {
        $body = Fields::of($request->json()->all());
        $job = $this->evaluate->evaluated($request, $body, $effort);
        $list = $body->choice('list', JobCsv::LISTS);
        $body->end();

        return self::file((new JobCsv($job))->table($list), 'text/csv; charset=UTF-8');
    }

    /** The day in which a run is joined, for a calendar. */
    public function calendar(Request $request, Effort $effort): Response
    {
        $body = Fields::of($request->json()->all());
        $job = $this->evaluate->evaluated($request, $body, $effort);
        $run = EvaluateJob::runOf($body, $job);
        $asked = DayAsked::read($body);
        $kept = Job::asked($request, $body->string('job', 40));
        $body->end();
        $day = $job->day($run)->toArray($asked, DoneJoints::of(JobLog::siteLog($kept), $run))['day'];
        if ($day === null || $day['steps'] === []) {
            throw BadInput::at('run', 'has no day yet: Glue-up says why', $run);
        }
        $name = $job->run($run)->run->name;

        return self::file(DayCalendar::write($day, $name, "{$kept->id}-{$run}"), 'text/calendar; charset=UTF-8');
    }

    /** The cut ticket of a run on paper, with the run from three sides. */
    public function ticket(Request $request, Effort $effort): Response
    {
        $body = Fields::of($request->json()->all());
        $evaluated = $this->evaluate->evaluated($request, $body, $effort);
        $job = $evaluated->job();
        $layout = $evaluated->run(EvaluateJob::runOf($body, $evaluated));
        [$paper, $on] = [self::paper($body, $job), $body->string('on', 10)];
        $body->end();
        $ticket = $evaluated->ticket($layout->run->id);
        $heads = [
            'job' => $job->name,
            'run' => $layout->run->name,
            'pipe' => "{$layout->system->letters} {$layout->run->size}",
            'on' => $on,
        ];
        $holds = $ticket->holds($evaluated->findings($layout->run->id));
        $views = $layout->pieces === [] ? [] : self::views($layout);

        return self::file(TicketPdf::print($ticket, $heads, $holds, $views, $job->units, $paper), 'application/pdf');
    }

    /** Wrap strips of a run in full size: of one piece as SVG, of all of them as PDF. */
    public function wrap(Request $request): Response
    {
        $body = Fields::of($request->json()->all());
        $evaluated = $this->evaluate->evaluated($request, $body);
        [$job, $layout] = [$evaluated->job(), $evaluated->run(EvaluateJob::runOf($body, $evaluated))];
        $keys = array_map(static fn (Piece $piece): string => $piece->key, $layout->pieces);
        $isPdf = $body->choice('format', ['svg', 'pdf']) === 'pdf';
        $chosen = $isPdf ? $keys : [$body->choice('piece', $keys)];
        $paper = self::paper($body, $job);
        $body->end();
        $wrapped = static fn (string $key): ?WrapTemplate => WrapTemplate::ofPiece($layout, $key, $job->units);
        $templates = array_values(array_filter(array_map($wrapped, $chosen)));
        if ($templates === []) {
            throw BadInput::at('run', 'has no piece of pipe to wrap', $layout->run->id);
        }

        return $isPdf
            ? self::file(WrapPdf::print($templates, $paper), 'application/pdf')
            : self::file($templates[0]->svg(), 'image/svg+xml');
    }

    /** A run as a drawing in an open format: lines from one side, or the model. */
    public function drawing(Request $request): Response
    {
        $body = Fields::of($request->json()->all());
        $evaluated = $this->evaluate->evaluated($request, $body);
        [$job, $layout] = [$evaluated->job(), $evaluated->run(EvaluateJob::runOf($body, $evaluated))];
        $format = $body->choice('format', ['dxf', 'svg', 'gltf', 'pdf']);
        $view = $format === 'gltf' || $format === 'pdf' ? null : $body->choice('view', RunViews::VIEWS);
        $paper = self::paper($body, $job);
        $body->end();
        if ($layout->pieces === []) {
            throw BadInput::at('run', 'has no piece of pipe to draw', $layout->run->id);
        }
        $title = "{$job->name}, {$layout->run->name}";

        return match ($format) {
            'pdf' => self::file(DrawingPdf::print(self::views($layout), $paper, $title), 'application/pdf'),
            'gltf' => self::file(GltfWriter::write($layout), 'model/gltf+json'),
            'dxf' => self::file(DxfWriter::write((new RunViews($layout))->drawing($view ?? '')), 'image/vnd.dxf'),
            default => self::file(
                SvgWriter::write((new RunViews($layout))->drawing($view ?? ''), $layout->run->name),
                'image/svg+xml',
            ),
        };
    }

    /** @return array<string, LineDrawing> a run from every side, by what stands over it */
    private static function views(RunLayout $layout): array
    {
        $views = new RunViews($layout);

        return [
            'from above' => $views->drawing('plan'),
            'along its length' => $views->drawing('section'),
            'isometric' => $views->drawing('isometric'),
        ];
    }

    private static function paper(Fields $body, Plan $job): string
    {
        return $body->has('paper')
            ? $body->choice('paper', ['A4', 'LETTER'])
            : ($job->units === Units::Inch
                ? 'LETTER'
                : 'A4');
    }

    private static function file(string $content, string $type): Response
    {
        return new Response($content, 200, ['Content-Type' => $type]);
    }
}
