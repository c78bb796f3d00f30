<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Mailroom\In\Arrived;
use ZippyTray\Server\Mailroom\In\MaildirIn;
use ZippyTray\Server\Mailroom\In\NotReached;

final class MaildirInTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-maildir-'.getmypid();
        foreach (['new', 'cur', 'tmp'] as $box) {
            (new Filesystem())->mkdir($this->folder.'/'.$box);
        }
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    public function testEachMessageComesOnceAlsoWhenItMovesOrItsFlagsChange(): void
    {
        file_put_contents($this->folder.'/new/1.a.host', 'One');
        file_put_contents($this->folder.'/cur/2.b.host:2,S', 'Two');
        file_put_contents($this->folder.'/tmp/3.c.host', 'Being written');
        file_put_contents($this->folder.'/cur/.hidden', 'Not mail');
        $arrived = $this->since('');
        self::assertEqualsCanonicalizing(['One', 'Two'], array_column($arrived, 'raw'));
        $cursor = $arrived[1]->cursor;
        self::assertCount(0, $this->since($cursor));
        // In the same second as the last.
        file_put_contents($this->folder.'/new/9.d.host', 'Nine');
        $later = $this->since($cursor);
        self::assertSame(['Nine'], array_column($later, 'raw'));
        self::assertCount(0, $this->since(array_column($later, 'cursor')[0] ?? ''));
    }

    public function testAFolderThatIsNoneIsRefusedAndOneThatGoesAwayIsSaid(): void
    {
        foreach (['relative', '/nowhere/at/all', $this->folder.'/new'] as $folder) {
            try {
                new MaildirIn($folder);
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame('folder', $refused->field);
            }
        }
        $in = new MaildirIn($this->folder);
        (new Filesystem())->remove($this->folder);
        $this->expectException(NotReached::class);
        iterator_to_array($in->since(''));
    }

    /**
     * @phpstan-impure
     *
     * @return list<Arrived>
     */
    private function since(string $cursor): array
    {
        clearstatcache();

        return array_values([...(new MaildirIn($this->folder))->since($cursor)]);
    }
}
