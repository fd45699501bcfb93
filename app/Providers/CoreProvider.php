<?php

declare(strict_types=1);

namespace App\Providers;

use App\Questions\Allowance;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Reckon\Reckoners;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\ServiceProvider;

/** The only wiring of the core into the framework. */
final class CoreProvider extends ServiceProvider
{
    public function register(): void
    {
        $compiled = config('app.data');
        if (is_string($compiled) && is_file($compiled)) {
            /**
             * @var array{files: array<string, array<string, mixed>>, rows: array<string, array<string, array<array-key,
             *     array{of: class-string, values: list<mixed>, within: list<int>}>>>} $data
             */
            $data = require $compiled;
            DataFile::know($data);
        }
        $this->app->singleton(Catalogue::class, static fn (): Catalogue => Catalogue::shipped());
        $this->app->singleton(JobFile::class);
        $this->app->singleton(JobEvaluator::class);
        $this->app->singleton(Reckoners::class);
        $this->app->bind(Effort::class, static fn (): Effort => Allowance::effort());
    }

    public function boot(): void
    {
        Model::shouldBeStrict($this->app->environment('production') !== true);
    }
}
