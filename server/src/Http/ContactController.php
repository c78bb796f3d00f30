<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Uid\Uuid;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\People\KeepContacts;
use ZippyTray\Core\People\Proposed;
use ZippyTray\Core\People\ReadSignature;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\ContactFields;
use ZippyTray\Server\People\VCards;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Store\Ports\ContactStore;

/**
 * Cards of people.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class ContactController
{
    public function __construct(
        private ContactStore $contacts,
        private KeepContacts $keep,
        private EntryRows $entries,
        private VCards $vcards,
    ) {
    }

    #[Route('/contacts', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse(array_map(self::view(...), $this->contacts->all($account->id)));
    }

    #[Route('/contacts/{id}', methods: 'PUT')]
    public function keep(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ContactFields $fields): JsonResponse
    {
        return $this->entry($this->keep->keep($account->id, new EntryId($fields->entry), $id, $fields->card()));
    }

    #[Route('/contacts/{id}', methods: 'DELETE')]
    public function delete(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return $this->entry($this->keep->delete($account->id, new EntryId($entry), $id));
    }

    #[Route('/contacts.vcf', methods: 'GET')]
    public function export(#[CurrentUser] Account $account, #[MapQueryParameter] ?string $id = null): Response
    {
        $some = null === $id ? $this->contacts->all($account->id) : [$this->contacts->get($account->id, $id)];

        return HarmlessFile::response($this->vcards->write($some), 'text/vcard; charset=utf-8', 'contacts.vcf', true);
    }

    #[Route('/contacts/imports', methods: 'POST')]
    public function import(#[CurrentUser] Account $account, Request $request): JsonResponse
    {
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile || !$file->isValid()) {
            throw new Refused('No file arrived. Choose one, and try again.', 'file');
        }
        [$cards, $refused] = $this->vcards->read($file->getContent());
        $entry = [] === $cards ? null : $this->keep->takeIn($account->id, new EntryId(Uuid::v7()->toRfc4122()), $cards);

        return new JsonResponse([
            'taken' => \count($cards),
            'refused' => $refused,
            'entry' => null === $entry ? null : $this->entries->of($entry),
        ]);
    }

    #[Route('/messages/{id}/contact', methods: 'GET')]
    public function propose(#[CurrentUser] Account $account, string $id, Messages $messages, ReadSignature $read): JsonResponse
    {
        $message = $messages->get($account->id, new EmailId($id));
        $known = $this->contacts->withEmail($account->id, $message->from->email);

        return new JsonResponse([
            'contact' => null === $known ? null : self::view($known),
            'proposed' => array_map(
                static fn (Proposed $one): array => [
                    'field' => $one->field,
                    'value' => $one->value,
                    'from' => $one->from,
                    'to' => $one->to,
                ],
                $read->of($message->from, $message->text),
            ),
        ]);
    }

    /**
     * @return array{
     *     id: string, name: string, email: string, phones: list<string>, position: string, firm: string,
     *     address: string, note: string
     * }
     */
    public static function view(Contact $contact): array
    {
        return ['id' => $contact->id] + $contact->card()->state();
    }

    private function entry(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
