<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\AmendmentsController;
use App\Http\Controllers\CatalogueController;
use App\Http\Controllers\ChoicesController;
use App\Http\Controllers\CoverageController;
use App\Http\Controllers\CrewController;
use App\Http\Controllers\EntranceController;
use App\Http\Controllers\EvaluationController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\HowToController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\PhotographController;
use App\Http\Controllers\PriceController;
use App\Http\Controllers\QuestionController;
use App\Http\Controllers\RecordController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShareController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\StartController;
use App\Http\Controllers\WorkerController;
use App\Http\Middleware\DocumentOfRevision;
use App\Http\Middleware\InTurn;
use Illuminate\Support\Facades\Route;

Route::pattern('id', '[0-9A-Za-z]{1,40}');
Route::pattern('crew', '[0-9]{1,15}');
Route::pattern('invitation', '[0-9]{1,15}');

Route::prefix('api')->group(static function (): void {
    Route::post('session', [SessionController::class, 'store']);
    Route::get('entrance', [EntranceController::class, 'show']);
    Route::post('entrance/first', [EntranceController::class, 'first']);
    Route::post('entrance/forgotten', [EntranceController::class, 'forgotten']);
    Route::post('entrance/reset', [EntranceController::class, 'reset']);
    Route::get('invitations/{token}', [EntranceController::class, 'invitation'])->where('token', '[0-9A-Za-z]{20,60}');
    Route::post('invitations/{token}', [EntranceController::class, 'accept'])->where('token', '[0-9A-Za-z]{20,60}');
    Route::get('shared/{token}', [ShareController::class, 'show'])->where('token', '[0-9A-Za-z]{20,60}');
    Route::get('shared/{token}/photographs/{hash}', [PhotographController::class, 'shared'])
        ->where(['token' => '[0-9A-Za-z]{20,60}', 'hash' => '[0-9a-f]{64}']);
    Route::middleware(['auth', DocumentOfRevision::class])->group(static function (): void {
        Route::get('session', [SessionController::class, 'show']);
        Route::delete('session', [SessionController::class, 'destroy']);
        Route::put('account', [AccountController::class, 'update']);
        Route::put('account/password', [AccountController::class, 'password']);
        Route::get('account/devices', [AccountController::class, 'devices']);
        Route::delete('account/devices', [AccountController::class, 'signOutElsewhere']);
        Route::post('crews', [CrewController::class, 'store']);
        Route::get('crews/{crew}', [CrewController::class, 'show']);
        Route::put('crews/{crew}', [CrewController::class, 'update']);
        Route::post('crews/{crew}/choose', [CrewController::class, 'choose']);
        Route::post('crews/{crew}/invitations', [CrewController::class, 'invite']);
        Route::delete('crews/{crew}/invitations/{invitation}', [CrewController::class, 'withdraw']);
        Route::get('choices', ChoicesController::class);
        Route::get('starts', [StartController::class, 'index']);
        Route::post('starts/{start}', [StartController::class, 'make'])->where('start', '[a-z-]{1,40}');
        Route::get('how-to', [HowToController::class, 'index']);
        Route::post('how-to/{howTo}', [HowToController::class, 'answer'])->where('howTo', '[a-z-]{1,40}');
        Route::get('jobs', [JobController::class, 'index']);
        Route::post('jobs', [JobController::class, 'store']);
        Route::post('jobs/import', [JobController::class, 'import']);
        Route::get('jobs/{id}', [JobController::class, 'show']);
        Route::put('jobs/{id}', [JobController::class, 'update']);
        Route::delete('jobs/{id}', [ShelfController::class, 'destroy']);
        Route::post('jobs/{id}/archive', [ShelfController::class, 'archive']);
        Route::post('jobs/{id}/put-back', [ShelfController::class, 'putBack']);
        Route::post('jobs/{id}/copy', [ShelfController::class, 'copy']);
        Route::post('jobs/{id}/undo', [JobController::class, 'undo']);
        Route::post('jobs/{id}/redo', [JobController::class, 'redo']);
        Route::post('jobs/{id}/back', [JobController::class, 'goBack']);
        Route::get('jobs/{id}/file', [JobController::class, 'file']);
        Route::get('jobs/{id}/raw', [JobController::class, 'raw']);
        Route::get('jobs/{id}/log', [LogController::class, 'index']);
        Route::post('jobs/{id}/log', [LogController::class, 'store']);
        Route::get('jobs/{id}/shares', [ShareController::class, 'index']);
        Route::post('jobs/{id}/shares', [ShareController::class, 'store']);
        Route::delete('jobs/{id}/shares/{share}', [ShareController::class, 'destroy'])->where('share', '[0-9]{1,15}');
        Route::post('jobs/{id}/photographs', [PhotographController::class, 'store']);
        Route::get('jobs/{id}/photographs/{hash}', [PhotographController::class, 'show'])
            ->where('hash', '[0-9a-f]{64}');
        Route::post('record', [RecordController::class, 'show']);
        Route::post('record/file', [RecordController::class, 'file'])->middleware(InTurn::class);
        Route::post('evaluate', [EvaluationController::class, 'evaluate']);
        Route::post('joint', [EvaluationController::class, 'joint']);
        Route::post('joints', [EvaluationController::class, 'joints'])->middleware(InTurn::class);
        Route::post('repeat', [EvaluationController::class, 'repeat']);
        Route::post('order', [EvaluationController::class, 'order'])->middleware(InTurn::class);
        Route::post('day/calendar', [FileController::class, 'calendar'])->middleware(InTurn::class);
        Route::post('day', [EvaluationController::class, 'day'])->middleware(InTurn::class);
        Route::post('test', [EvaluationController::class, 'test']);
        Route::post('joined', [EvaluationController::class, 'joined']);
        Route::post('cut', [EvaluationController::class, 'cut'])->middleware(InTurn::class);
        Route::post('ticket', [FileController::class, 'ticket'])->middleware(InTurn::class);
        Route::get('books/{book}', [CoverageController::class, 'show'])->where('book', '[a-z0-9-]{1,40}');
        Route::post('books', [EvaluationController::class, 'books'])->middleware(InTurn::class);
        Route::post('materials', [EvaluationController::class, 'materials'])->middleware(InTurn::class);
        Route::post('drawing', [FileController::class, 'drawing']);
        Route::post('csv', [FileController::class, 'csv'])->middleware(InTurn::class);
        Route::post('hang', [EvaluationController::class, 'hang']);
        Route::post('wrap', [FileController::class, 'wrap']);
        Route::post('make-up', [EvaluationController::class, 'makeUp'])->middleware(InTurn::class);
        Route::get('catalogue', [CatalogueController::class, 'index']);
        Route::get('catalogue/own', [CatalogueController::class, 'own']);
        Route::post('catalogue/own', [CatalogueController::class, 'store']);
        Route::delete('catalogue/own/{id}', [CatalogueController::class, 'destroy'])->where('id', '[0-9]{1,15}');
        Route::get('amendments', [AmendmentsController::class, 'index']);
        Route::put('amendments', [AmendmentsController::class, 'store']);
        Route::delete('amendments/{id}', [AmendmentsController::class, 'destroy'])->where('id', '[0-9]{1,15}');
        Route::get('prices', [PriceController::class, 'index']);
        Route::put('prices', [PriceController::class, 'update']);
        Route::delete('prices/{id}', [PriceController::class, 'destroy'])->where('id', '[0-9]{1,15}');
        Route::delete('questions/{key}', [QuestionController::class, 'destroy'])->where('key', '[\\w-]{8,80}');
        Route::post('lengths', [EvaluationController::class, 'lengths']);
        Route::post('reckon/{name}', [EvaluationController::class, 'reckon'])->middleware(InTurn::class);
    });
});

// Whether the application answers, with its database behind it; nothing is said of what is in it.
Route::get('health', HealthController::class)->withoutMiddleware('web');

// What opens the application where there is no connection.
Route::get('worker.js', WorkerController::class)->withoutMiddleware('web');

// Every other address is the interface's own.
Route::get('/{any?}', PageController::class)->where('any', '^(?!api/|build/).*');
