<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Work\LooseFiles;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Things to look up, which belong to a list.
 */
final class ReferencesTest extends ApiTestCase
{
    private const SHEET = "From: Ada Quill <ada@quill.example>\r\nTo: wren@ternpoint.example\r\nSubject: Prices of this season\r\n"
        ."Date: Mon, 2 Nov 2026 09:00:00 +0000\r\nMessage-ID: <prices@quill.example>\r\nMIME-Version: 1.0\r\n"
        ."Content-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\nContent-Type: text/plain\r\n\r\nSee there.\r\n"
        ."--b\r\nContent-Type: text/plain; name=\"safety sheet.txt\"\r\n"
        ."Content-Disposition: attachment; filename=\"safety sheet.txt\"\r\n\r\nMind the step.\r\n--b--\r\n";

    private string $list;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
        $this->list = self::id();
        $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $this->list, 'name' => 'Visits', 'colour' => 'sea'], 201);
    }

    public function testAllKindsStandInTheirOrderAndEachStepIsUndone(): void
    {
        [$text, $page] = [self::id(), self::id()];
        $this->add(['kind' => 'text', 'id' => $text, 'text' => "# Guides\nTwo for twenty children."]);
        $entry = $this->add(['kind' => 'page', 'id' => $page, 'url' => 'tides.example/tern']);
        self::assertSame(['add_reference', 'tides.example/tern', 'to look up in Visits'], [
            $entry['kind'], $entry['about'], $entry['consequence'],
        ]);
        self::assertSame([['text', 'Guides'], ['page', 'tides.example/tern']], $this->all());
        $this->call('PUT', "/references/{$page}/place", ['entry' => self::id(), 'list' => $this->list, 'behind' => null]);
        $edit = $this->edit($page, ['title' => 'Tides', 'text' => 'Both tables', 'url' => 'https://tides.example/']);
        self::assertSame([['page', 'Tides'], ['text', 'Guides']], $this->all());
        $this->undo($edit);
        $gone = $this->call('POST', '/references/removals', ['entry' => self::id(), 'references' => [$text, $page]]);
        self::assertSame([2, []], [$gone['count'], $this->all()]);
        $this->undo($gone);
        self::assertCount(2, $this->all());
        $this->call('PUT', "/references/{$page}", [
            'entry' => self::id(),
            'now' => ['title' => 'Mine', 'text' => '', 'url' => 'https://a.example'],
            'was' => ['title' => 'Other', 'text' => '', 'url' => 'https://a.example'],
        ], 422);
        self::assertSame(0, $this->command('data:check', [])[0], $this->command('data:check', [])[1]);
    }

    public function testMailAndWhatIsAttachedStayWhenTheMailIsGoneForGood(): void
    {
        $this->upload(['prices.eml' => self::SHEET]);
        $conversation = self::text($this->rows('/tray')[0]['id']);
        $message = self::text(((array) ((array) $this->call('GET', '/conversations/'.$conversation)['messages'])[0])['id']);
        $this->add(['kind' => 'message', 'message' => $message]);
        $this->add(['kind' => 'attachment', 'message' => $message, 'attachment' => 0]);
        $this->add(['kind' => 'attachment', 'message' => $message, 'attachment' => 1], 404);
        self::assertSame([['message', 'Prices of this season'], ['attachment', 'safety sheet.txt']], $this->all());
        self::assertSame(['Ada Quill', $conversation], [$this->source()['who'], $this->source()['conversation']]);

        $this->decide('delete', [$conversation]);
        $this->call('DELETE', '/bin?id='.self::id());
        self::assertSame(['Ada Quill', null], [$this->source()['who'], $this->source()['conversation']]);
        $this->service(Connection::class)->executeStatement("UPDATE file SET added_at = '2026-01-01T00:00:00Z'");
        $this->service(LooseFiles::class)->do(new \DateTimeImmutable('2026-12-24'));
        $file = (array) $this->references()[1]['file'];
        self::assertSame('Mind the step.', $this->fetch('/files/'.self::text($file['id']))->getContent());
        self::assertSame('See there.', trim(self::text($this->call('GET', '/sources/'.self::text($this->source()['id']))['text'])));
    }

    public function testNobodyElseSeesOrChangesThem(): void
    {
        $id = self::id();
        $this->add(['kind' => 'text', 'id' => $id, 'text' => 'Mine']);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->call('GET', "/lists/{$this->list}/references", null, 404);
        $this->add(['kind' => 'text', 'text' => 'Hers'], 404);
        $this->call('POST', '/references/removals', ['entry' => self::id(), 'references' => [$id]], 404);
        $this->call('PUT', "/references/{$id}/place", ['entry' => self::id(), 'list' => $this->list], 404);
        $words = ['title' => 'Mine', 'text' => 'Mine', 'url' => ''];
        $this->call('PUT', "/references/{$id}", ['entry' => self::id(), 'now' => $words, 'was' => $words], 404);
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return array<mixed>
     */
    private function add(array $fields, int $status = 201): array
    {
        return $this->call('POST', "/lists/{$this->list}/references", $fields + ['entry' => self::id(), 'id' => self::id()], $status);
    }

    /**
     * @param array{title: string, text: string, url: string} $words
     *
     * @return array<mixed>
     */
    private function edit(string $id, array $words): array
    {
        $was = array_values(array_filter($this->references(), static fn (array $one): bool => $one['id'] === $id))[0];

        return $this->call('PUT', "/references/{$id}", [
            'entry' => self::id(),
            'now' => $words,
            'was' => array_intersect_key($was, $words),
        ]);
    }

    /** @return list<array<string, mixed>> */
    private function references(): array
    {
        /** @var list<array<string, mixed>> $references */
        $references = $this->call('GET', "/lists/{$this->list}/references")['references'];

        return $references;
    }

    /** @return array<mixed> of the first */
    private function source(): array
    {
        return (array) $this->references()[0]['source'];
    }

    /** @return list<array{mixed, mixed}> kind and title of each */
    private function all(): array
    {
        return array_map(static fn (array $one): array => [$one['kind'], $one['title']], $this->references());
    }
}
