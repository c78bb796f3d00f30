<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\TestWith;
use ZippyTray\Server\Books\Derived;
use ZippyTray\Tests\Server\ApiTestCase;

/** What is kept twice: it is seen when it does not agree, and is made anew. */
final class DerivedTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
        $this->upload([
            'first.eml' => "From: Tam Brightwater <tam@glass.example>\r\n"
                ."To: wren@ternpoint.example, Ilse Norgaard <ilse@mirror.example>\r\nSubject: Prisms\r\n"
                ."Date: Tue, 3 Nov 2026 08:00:00 +0000\r\nMessage-ID: <first@glass.example>\r\n\r\nThe quernstone is under the stairs.\r\n",
            'second.eml' => "From: Ilse Norgaard <ilse@mirror.example>\r\nTo: wren@ternpoint.example\r\nSubject: Re: Prisms\r\n"
                ."Date: Tue, 3 Nov 2026 09:00:00 +0000\r\nMessage-ID: <second@mirror.example>\r\n"
                ."In-Reply-To: <first@glass.example>\r\n\r\nSo it is.\r\n",
        ]);
    }

    #[TestWith(["UPDATE message SET text = 'Something else' WHERE subject = 'Prisms'", 'else'])]
    #[TestWith(["UPDATE conversation_message SET people = ''", 'quernstone'])]
    #[TestWith(["INSERT INTO message_search (message_search) VALUES ('delete-all')", 'quernstone'])]
    #[TestWith(['DELETE FROM message_search WHERE rowid = (SELECT MIN(number) FROM conversation_message)', 'quernstone'])]
    #[TestWith(["UPDATE search_conversation SET latest_at = '2020-01-01T00:00:00Z'", 'quernstone'])]
    #[TestWith(['UPDATE search_message SET conversation = conversation + 1', 'quernstone'])]
    #[TestWith(["UPDATE search_conversation SET place = 'bin'", 'quernstone'])]
    #[TestWith(['DELETE FROM search_conversation', 'quernstone'])]
    #[TestWith(['UPDATE conversation_count SET conversations = conversations + 1', 'quernstone'])]
    #[TestWith(['DELETE FROM thread_subject', 'quernstone'])]
    #[TestWith(['DELETE FROM person_message', 'quernstone'])]
    #[TestWith(['UPDATE person SET received = received + 1', 'quernstone'])]
    #[TestWith(['UPDATE conversation SET messages = 7', 'quernstone'])]
    public function testWhatDoesNotAgreeIsSeenAndMadeAnew(string $damage, string $word): void
    {
        $derived = $this->service(Derived::class);
        self::assertSame(0, $derived->look()->wrong);
        $this->service(Connection::class)->executeStatement($damage);
        self::assertGreaterThan(0, $derived->look()->wrong);

        $derived->repair();

        self::assertSame(0, $derived->look()->wrong);
        self::assertSame(1, $this->call('GET', '/find?words='.$word)['total']);
        self::assertSame(1, $this->call('GET', '/find?words=norgaard+tam')['total']);
    }

    public function testWhatIsDeletedForGoodIsInTheIndexOfWordsNoMore(): void
    {
        $connection = $this->service(Connection::class);
        $connection->executeStatement(
            "DELETE FROM conversation_message WHERE message_id IN (SELECT id FROM message WHERE subject = 'Prisms')",
        );
        self::assertSame([], $connection->fetchFirstColumn("SELECT rowid FROM message_search WHERE message_search MATCH 'quernstone'"));
        self::assertCount(1, $connection->fetchFirstColumn("SELECT rowid FROM message_search WHERE message_search MATCH 'norgaard'"));
    }
}
