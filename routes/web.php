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
use App\Http\Controllers\MembershipController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\PhotographController;
use App\Http\Controllers\PriceController;
use App\Http\Controllers\QuestionController;
use App\Http\Controllers\RecordController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShareController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\StartController;
use App\Http\Controllers\StatusController;
use App\Http\Controllers\WorkerController;
use App\Http\Middleware\DocumentOfRevision;
use App\Http\Middleware\InTurn;
use App\Http\Middleware\May;
use App\Http\Middleware\RoomToWrite;
use App\People\Ability;
use App\People\SealedLink;
use Illuminate\Support\Facades\Route;

Route::pattern('id', '[0-9A-Za-z]{1,40}');
Route::pattern('crew', '[0-9]{1,15}');
Route::pattern('invitation', '[0-9]{1,15}');
Route::pattern('share', '[0-9]{1,15}');
Route::pattern('person', '[0-9]{1,15}');
Route::pattern('entry', '[0-9]{1,15}');

Route::prefix('api')->group(static function (): void {
    Route::post('session', [SessionController::class, 'store']);
    Route::get('entrance', [EntranceController::class, 'show']);
    Route::post('entrance/first', [EntranceController::class, 'first']);
    Route::post('entrance/forgotten', [EntranceController::class, 'forgotten']);
    Route::post('entrance/reset', [EntranceController::class, 'reset']);
    Route::post('entrance/sign-up', [EntranceController::class, 'askToSignUp']);
    Route::post('entrance/sign-up/{letter}', [EntranceController::class, 'signUp'])
        ->where('letter', SealedLink::PATTERN);
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
        Route::post('account/address', [AccountController::class, 'address']);
        Route::put('account/address/{letter}', [AccountController::class, 'takeAddress'])
            ->where('letter', SealedLink::PATTERN);
        Route::post('account/second-factor', [SecondFactorController::class, 'begin']);
        Route::put('account/second-factor', [SecondFactorController::class, 'confirm']);
        Route::delete('account/second-factor', [SecondFactorController::class, 'end']);
        Route::get('account/audit', [AccountController::class, 'audit']);
        Route::get('account/devices', [AccountController::class, 'devices']);
        Route::delete('account/devices', [AccountController::class, 'signOutElsewhere']);
        // What is only asked changes nothing.
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
        Route::post('lengths', [EvaluationController::class, 'lengths']);
        Route::post('reckon/{name}', [EvaluationController::class, 'reckon'])->middleware(InTurn::class);
        Route::delete('questions/{key}', [QuestionController::class, 'destroy'])->where('key', '[\\w-]{8,80}');
        Route::post('starts/{start}', [StartController::class, 'make'])->where('start', '[a-z-]{1,40}');
        Route::post('how-to/{howTo}', [HowToController::class, 'answer'])->where('howTo', '[a-z-]{1,40}');
        // Whoever is in a crew reads it.
        Route::get('choices', ChoicesController::class);
        Route::get('starts', [StartController::class, 'index']);
        Route::get('how-to', [HowToController::class, 'index']);
        Route::get('crews/{crew}', [CrewController::class, 'show']);
        Route::get('jobs', [JobController::class, 'index']);
        Route::get('jobs/{id}', [JobController::class, 'show']);
        Route::get('jobs/{id}/file', [JobController::class, 'file']);
        Route::get('jobs/{id}/raw', [JobController::class, 'raw']);
        Route::get('jobs/{id}/log', [LogController::class, 'index']);
        Route::get('jobs/{id}/shares', [ShareController::class, 'index']);
        Route::get('jobs/{id}/photographs/{hash}', [PhotographController::class, 'show'])
            ->where('hash', '[0-9a-f]{64}');
        Route::get('catalogue', [CatalogueController::class, 'index']);
        Route::get('catalogue/own', [CatalogueController::class, 'own']);
        Route::get('amendments', [AmendmentsController::class, 'index']);
        Route::get('prices', [PriceController::class, 'index']);
        Route::post('crews/{crew}/choose', [CrewController::class, 'choose']);
        Route::delete('crews/{crew}/membership', [MembershipController::class, 'leave']);
        // Whoever has an account may begin a crew of their own.
        Route::post('crews', [CrewController::class, 'store'])->middleware(RoomToWrite::class);
        // What takes a role.
        Route::middleware([May::to(Ability::Log), RoomToWrite::class])->group(static function (): void {
            Route::post('jobs/{id}/log', [LogController::class, 'store']);
            Route::post('jobs/{id}/photographs', [PhotographController::class, 'store']);
        });
        Route::middleware([May::to(Ability::Edit), RoomToWrite::class])->group(static function (): void {
            Route::put('jobs/{id}', [JobController::class, 'update']);
            Route::post('jobs/{id}/undo', [JobController::class, 'undo']);
            Route::post('jobs/{id}/redo', [JobController::class, 'redo']);
            Route::post('jobs/{id}/back', [JobController::class, 'goBack']);
        });
        Route::middleware([May::to(Ability::Start), RoomToWrite::class])->group(static function (): void {
            Route::post('jobs', [JobController::class, 'store']);
            Route::post('jobs/import', [JobController::class, 'import']);
            Route::post('jobs/{id}/copy', [ShelfController::class, 'copy']);
            Route::put('jobs/{id}/project', [ShelfController::class, 'project']);
        });
        Route::middleware([May::to(Ability::PutAway), RoomToWrite::class])->group(static function (): void {
            Route::delete('jobs/{id}', [ShelfController::class, 'destroy']);
            Route::post('jobs/{id}/archive', [ShelfController::class, 'archive']);
            Route::post('jobs/{id}/put-back', [ShelfController::class, 'putBack']);
        });
        Route::middleware([May::to(Ability::Share), RoomToWrite::class])->group(static function (): void {
            Route::post('jobs/{id}/shares', [ShareController::class, 'store']);
            Route::delete('jobs/{id}/shares/{share}', [ShareController::class, 'destroy']);
        });
        Route::middleware([May::to(Ability::Numbers), RoomToWrite::class])->group(static function (): void {
            Route::post('catalogue/own', [CatalogueController::class, 'store']);
            Route::delete('catalogue/own/{entry}', [CatalogueController::class, 'destroy']);
            Route::put('amendments', [AmendmentsController::class, 'store']);
            Route::delete('amendments/{entry}', [AmendmentsController::class, 'destroy']);
            Route::put('prices', [PriceController::class, 'update']);
            Route::delete('prices/{entry}', [PriceController::class, 'destroy']);
        });
        Route::middleware([May::to(Ability::Invite), RoomToWrite::class])->group(static function (): void {
            Route::post('crews/{crew}/invitations', [CrewController::class, 'invite']);
            Route::delete('crews/{crew}/invitations/{invitation}', [CrewController::class, 'withdraw']);
        });
        Route::middleware(May::to(Ability::Own))->group(static function (): void {
            Route::get('status', StatusController::class);
            Route::put('crews/{crew}', [CrewController::class, 'update']);
            Route::get('crews/{crew}/audit', [MembershipController::class, 'audit']);
            Route::put('crews/{crew}/people/{person}', [MembershipController::class, 'give']);
            Route::delete('crews/{crew}/people/{person}', [MembershipController::class, 'takeOut']);
        });
    });
});

// For load balancers and monitoring. Workers for heavy questions count for themselves.
Route::withoutMiddleware('web')->group(static function (): void {
    Route::get('health/live', [HealthController::class, 'live']);
    Route::get('health/ready', [HealthController::class, 'ready']);
    Route::get('metrics', [HealthController::class, 'metrics']);
    Route::get('metrics/heavy', [HealthController::class, 'metrics']);
});

// What opens the application where there is no connection.
Route::get('worker.js', WorkerController::class)->withoutMiddleware('web');

// Every other address is the interface's own.
Route::get('/{any?}', PageController::class)->where('any', '^(?!api/|build/|health/|metrics).*');
