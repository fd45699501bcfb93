<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Instruments\InstrumentHub;
use App\Instruments\InstrumentKind;
use App\Instruments\Reading;
use App\Instruments\Script;
use App\Instruments\StandIn;
use FallBend\Core\Input\BadInput;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Instruments that are not there, and where their readings go. */
final class InstrumentsTest extends TestCase
{
    private string $path;

    /** @var resource */
    private $socket;

    private InstrumentHub $hub;

    protected function setUp(): void
    {
        $this->path = sys_get_temp_dir().'/fall-bend-hub-'.bin2hex(random_bytes(6));
        $socket = stream_socket_server("unix://{$this->path}");
        self::assertIsResource($socket);
        $this->socket = $socket;
        $this->hub = new InstrumentHub(StandIn::van());
    }

    protected function tearDown(): void
    {
        fclose($this->socket);
        unlink($this->path);
    }

    public function testAStandInReadsAroundWhatItIsHeldToAndWandersAndLosesAndRunsDown(): void
    {
        $exact = new StandIn('a', InstrumentKind::Gauge, 38.0);
        self::assertSame(38.0, $exact->press()['value'] ?? null);
        $noisy = new StandIn('b', InstrumentKind::Gauge, 38.0, 0.5);
        $values = [];
        for ($n = 0; $n < 200; $n++) {
            $values[] = $noisy->press()['value'] ?? 0.0;
        }
        self::assertGreaterThan(37.49, min($values));
        self::assertLessThan(38.51, max($values));
        self::assertGreaterThan(0.7, max($values) - min($values));
        self::assertEqualsWithDelta(38.0, array_sum($values) / 200, 0.1);
        $drifting = new StandIn('c', InstrumentKind::Gauge, 38.0, 0.0, -0.01);
        for ($n = 0; $n < 99; $n++) {
            $drifting->press();
        }
        self::assertSame(37.0, $drifting->press()['value'] ?? null);
        $losing = new StandIn('d', InstrumentKind::Distance, 1.0, lostEvery: 3);
        $read = array_map(static fn (): bool => $losing->press() !== null, range(1, 6));
        self::assertSame([true, true, false, true, true, false], $read);
        $flat = new StandIn('e', InstrumentKind::Camera, 1.0, battery: 0.25, drainPerReading: 0.1);
        $read = array_map(static fn (): bool => $flat->press() !== null, range(1, 4));
        self::assertSame([true, true, false, false], $read);
    }

    public function testAReadingInTheWrongUnitSaysInWhich(): void
    {
        $laser = new StandIn('a', InstrumentKind::Distance, 254.0, isInInches: true);
        $reading = $laser->press();
        self::assertSame([10.0, 'in'], [$reading['value'] ?? null, $reading['unit'] ?? null]);
        $laser->setInInches(false);
        self::assertSame('mm', $laser->press()['unit'] ?? null);
    }

    public function testThereIsOneOfEachKind(): void
    {
        $kinds = array_map(static fn (StandIn $one): string => $one->kind->value, StandIn::van());
        self::assertEqualsCanonicalizing(array_column(InstrumentKind::cases(), 'value'), $kinds);
    }

    public function testWhatIsSentIsToldToWhoeverListens(): void
    {
        $page = $this->asked("GET /instruments/events HTTP/1.1\r\nHost: x\r\n\r\n");
        $this->turns();
        self::assertStringContainsString('text/event-stream', (string) fread($page, 4_096));
        $lines = '{"device":"mine","kind":"gauge","value":37.5,"unit":"mmH2O"}'."\n".
            '{"device":"mine","kind":"thermometer","value":12,"unit":"°C","battery":0.5,"humidity":70}';
        self::assertSame(204, $this->codeOf($this->posted('/instruments/readings', $lines)));
        $told = (string) fread($page, 8_192);
        self::assertSame(2, substr_count($told, 'data: '));
        self::assertStringContainsString('"value":37.5', $told);
        self::assertStringContainsString('"humidity":70', $told);
        fclose($page);
        $this->turns();
        self::assertSame(204, $this->codeOf($this->posted('/instruments/readings', $lines)), 'nobody listens any more');
    }

    /** @return iterable<string, array{string, string}> line, the field that is wrong */
    public static function wrong(): iterable
    {
        yield 'no JSON' => ['38', ''];
        yield 'no device' => ['{"kind":"gauge","value":1,"unit":"mmH2O"}', 'device'];
        yield 'no such kind' => ['{"device":"a","kind":"spoon","value":1,"unit":"mm"}', 'kind'];
        yield 'no number' => ['{"device":"a","kind":"gauge","value":"deep","unit":"mm"}', 'value'];
        yield 'more than a battery holds' => [
            '{"device":"a","kind":"gauge","value":1,"unit":"mm","battery":7}',
            'battery',
        ];
        yield 'something else' => ['{"device":"a","kind":"gauge","value":1,"unit":"mm","x":1}', 'x'];
    }

    #[DataProvider('wrong')]
    public function testALineThatIsWrongIsRefusedAtItsPlace(string $line, string $field): void
    {
        try {
            Reading::read($line);
            self::fail('it was taken');
        } catch (BadInput $bad) {
            self::assertSame($field, $bad->field);
        }
    }

    public function testTheLinesBeforeOneThatIsWrongAreToldAndWhichIsWrongIsSaid(): void
    {
        $good = '{"device":"mine","kind":"gauge","value":37.5,"unit":"mmH2O"}';
        $answer = $this->posted('/instruments/readings', "{$good}\n{\"device\":1}");
        self::assertSame(422, $this->codeOf($answer));
        self::assertStringContainsString('line 2', $answer);
    }

    public function testAPageOfSomebodyElsesDoesNotSpeakHere(): void
    {
        self::assertSame(415, $this->codeOf($this->posted('/instruments/readings', '{}', 'text/plain')));
        self::assertSame(404, $this->codeOf($this->posted('/instruments/elsewhere', '{}')));
        self::assertSame(413, $this->codeOf($this->posted('/instruments/readings', str_repeat('x', 70_000))));
    }

    public function testAStandInIsPressedHeldToAValue(): void
    {
        $page = $this->asked("GET /instruments/events HTTP/1.1\r\n\r\n");
        $this->turns();
        fread($page, 4_096);
        $press = fn (string $id, string $body): int => $this->codeOf(
            $this->posted("/instruments/devices/{$id}/press", $body, 'application/json'),
        );
        self::assertSame(204, $press('gauge-1', '{"value": 100}'));
        self::assertMatchesRegularExpression('/"value":(99\.\d+|100(\.\d+)?)/', (string) fread($page, 4_096));
        self::assertSame(404, $press('spoon-1', '{}'));
        self::assertSame(422, $press('gauge-1', '{"value": "much"}'));
        $this->hub->standIn('gauge-1')?->setBattery(0.0);
        self::assertSame(503, $press('gauge-1', '{}'));
        $devices = $this->said($this->asked("GET /instruments/devices HTTP/1.1\r\n\r\n"));
        self::assertStringContainsString('"device":"gauge-1","kind":"gauge","battery":0', $devices);
    }

    public function testAScriptPlaysWhatHappensWhenItIsDue(): void
    {
        $page = $this->asked("GET /instruments/events HTTP/1.1\r\n\r\n");
        $this->turns();
        fread($page, 4_096);
        $script = new Script(
            '{"at":120,"device":"gauge-1","battery":0,"press":true}'."\n".
                '{"at":0,"device":"laser-1","value":254,"inches":true,"press":true}'."\n".
                '{"at":60,"device":"gauge-1","value":38,"press":true}',
            10.0,
        );
        $script->play($this->hub, 0.0);
        self::assertStringContainsString('"unit":"in"', (string) fread($page, 4_096));
        $script->play($this->hub, 5.9);
        self::assertFalse($script->isOver());
        $script->play($this->hub, 6.0);
        self::assertStringContainsString('gauge-1', (string) fread($page, 4_096));
        $script->play($this->hub, 12.0);
        self::assertTrue($script->isOver());
        stream_set_blocking($page, false);
        self::assertSame('', (string) fread($page, 4_096), 'what is flat reads nothing');
        $this->expectException(BadInput::class);
        (new Script('{"at":0,"device":"spoon-1"}', 1.0))->play($this->hub, 0.0);
    }

    private function posted(string $path, string $body, string $type = 'application/x-ndjson'): string
    {
        $length = strlen($body);

        return $this->said($this->asked(
            "POST {$path} HTTP/1.1\r\nContent-Type: {$type}\r\nContent-Length: {$length}\r\n\r\n{$body}",
        ));
    }

    /** @return resource */
    private function asked(string $request)
    {
        $client = stream_socket_client("unix://{$this->path}");
        self::assertIsResource($client);
        fwrite($client, $request);

        return $client;
    }

    /** @param resource $client */
    private function said($client): string
    {
        $this->turns();
        stream_set_timeout($client, 2);
        $said = (string) stream_get_contents($client);
        fclose($client);

        return $said;
    }

    private function turns(): void
    {
        for ($n = 0; $n < 20; $n++) {
            $this->hub->turn($this->socket, 5_000);
        }
    }

    private function codeOf(string $answer): int
    {
        return (int) substr($answer, 9, 3);
    }
}
