<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use JsonException;

/** All named computations: the core's only public face for input from outside, beside the job file. */
final readonly class Reckoners
{
    /** Those that search: how long they take depends on what they are asked. */
    public const SEARCHING = ['closing-gap', 'cut-stock', 'glue-clock', 'make-up', 'trap-seal', 'will-it-go'];

    /** @var array<string, Reckoner> */
    private array $reckoners;

    public function __construct(Catalogue $catalogue)
    {
        $all = [];
        foreach (
            [
                new CementReckoner($catalogue),
                new ClosingGapReckoner,
                new CompoundBendReckoner($catalogue),
                new CutInReckoner($catalogue),
                new CutStockReckoner,
                new FallReckoner($catalogue),
                new FlowReckoner($catalogue),
                new GlueClockReckoner($catalogue),
                new IdentifyReckoner($catalogue),
                new JointReckoner($catalogue),
                new MakeUpReckoner($catalogue),
                new RollingOffsetReckoner($catalogue),
                new SagReckoner($catalogue),
                new SupportsReckoner($catalogue),
                new TrapArmReckoner($catalogue),
                new TrapFitReckoner($catalogue),
                new TrapSealReckoner($catalogue),
                new WillItGoReckoner,
            ] as $reckoner
        ) {
            $all[$reckoner->name()] = $reckoner;
        }
        $this->reckoners = $all;
    }

    /** @return array<string, string> summary by name */
    public function list(): array
    {
        return array_map(static fn (Reckoner $reckoner): string => $reckoner->summary(), $this->reckoners);
    }

    /** Whether there is a reckoner of that name. */
    public function has(string $name): bool
    {
        return isset($this->reckoners[$name]);
    }

    /**
     * @param ?Effort $effort what there is for a search; null: as much as it usually takes, however long that is
     * @return array<string, mixed>
     *
     * @throws BadInput for an unknown name as for anything wrong in the input
     */
    public function reckon(string $name, mixed $input, ?Effort $effort = null): array
    {
        return $this->named($name)->reckon(Fields::of($input), $effort ?? Effort::unlimited());
    }

    /**
     * Takes JSON text; see `reckon`.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function reckonJson(string $name, string $json, ?Effort $effort = null): array
    {
        $this->named($name);
        try {
            return $this->reckon($name, json_decode($json, true, 64, JSON_THROW_ON_ERROR), $effort);
        } catch (JsonException $error) {
            throw BadInput::at('', 'is not JSON: '.$error->getMessage());
        }
    }

    /**
     * @return array<string, mixed> JSON Schemas (draft 2020-12) under `input` and `output`
     *
     * @throws BadInput for an unknown name
     */
    public function schema(string $name): array
    {
        $this->named($name);

        return DataFile::read("schemas/reckon-{$name}.json");
    }

    private function named(string $name): Reckoner
    {
        return $this->reckoners[$name] ??
            throw BadInput::at('name', 'must be one of '.implode(', ', array_keys($this->reckoners)), $name);
    }
}
