<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;

/** A picture of a joint is kept on the phone until there is a line, through a page that is left. */
final class PhotographTest extends BrowserTestCase
{
    public function testWhatIsPhotographedWithoutALineIsInTheRecordOnceThereIsOne(): void
    {
        $phone = $this->open(390, 844);
        $this->signIn($phone);
        $job = $this->ownJob($phone, 'Pictures');
        $this->openRun($phone, $job, 'glaze', 'record');
        $this->seen($phone, '.record-form input[type=file]');
        $this->devTools($phone, 'Network.enable', []);
        $this->network($phone, offline: true);
        $this->take($phone, 'The glaze trap.');
        $this->until(
            fn (): bool => str_contains($this->text($phone, '.record-acts'), '1 picture is kept on this device'),
            'it is said to be kept',
        );
        $this->until(
            static fn (): bool => $phone->executeScript('return document.querySelector(".kept").dataset.saving') ===
                'offline',
            'nothing says that it is saved',
        );
        // The page is gone; another one of the job sends it, whichever station it shows.
        $phone->get('about:blank');
        $this->network($phone);
        $this->openRun($phone, $job, 'glaze');
        $this->kept($phone);
        $this->openRun($phone, $job, 'glaze', 'record');
        $this->until(
            static fn (): bool => $phone->executeScript(
                'const picture = document.querySelector(".record-read img"); picture?.scrollIntoView();'.
                    'return picture?.alt === "The glaze trap." && picture.naturalWidth === 64',
            ) === true,
            'it is in the record',
        );
        self::assertCount(1, $phone->findElements(WebDriverBy::cssSelector('.record-read img')), 'and once');
    }

    private function take(RemoteWebDriver $phone, string $what): void
    {
        $field = $this->seen($phone, '.record-form input[type=file]');
        self::assertInstanceOf(RemoteWebElement::class, $field);
        $field->setFileDetector(new LocalFileDetector)->sendKeys(dirname(__DIR__).'/Support/joint.jpg');
        $this->seen($phone, '.record-form input[name=note]')->sendKeys($what);
        $this->button($phone, 'Keep the picture');
    }
}
