<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class Italian extends Tongue
{
    public function name(): string
    {
        return 'it';
    }

    public function words(): array
    {
        return [
            'a', 'il', 'lo', 'la', 'gli', 'le', 'di', 'del', 'della', 'dei', 'e', 'che', 'un', 'una', 'per', 'con', 'non', 'si', 'è',
            'sono', 'in', 'al', 'alla', 'nel', 'vi', 'ci', 'ti', 'suo', 'sua', 'vostra', 'vostro', 'grazie', 'prego', 'entro', 'anche',
            'come', 'ma', 'ho', 'abbiamo', 'buongiorno', 'ciao', 'più', 'questo', 'da', 'mandami', 'fammi', 'dimmi', 'puoi', 'potresti',
            'sapere', 'vieni', 'viene', 'devi', 'deve', 'hai', 'ha', 'avete', 'hanno', 'sei', 'siamo', 'era', 'mi', 'uno', 'delle',
            'degli', 'dello', 'nella', 'sul', 'sulla', 'ancora', 'già', 'molto', 'bene', 'quando', 'quale', 'chi', 'cosa', 'dove', 'oggi',
            'domani', 'ieri', 'gentile', 'caro', 'cara', 'saluti', 'aspettiamo', 'aspetto', 'manca', 'grato', 'tra', 'fra', 'questa',
            'tutto', 'tutti', 'niente', 'qualcosa', 'se', 'servono', 'prima', 'numeri',
        ];
    }

    public function letters(): string
    {
        return '/[ìòè]/u';
    }

    public function forms(): array
    {
        return [
            [RequestForm::Order, '/
                \b(?:
                    potresti|potrebbe|potreste|potrebbero|puoi|può|potete|ti\s+dispiacerebbe|le\s+dispiacerebbe
                    |ries(?:ci|ce)\s+a|riuscite\s+a|saresti\s+così\s+gentile\s+da|sarebbe\s+così\s+gentile\s+da
                )\s+(?:(?:per\s+favore|gentilmente|anche|cortesemente)\s+)*(?<do>\p{L}.*)
            /xu'],
            [
                RequestForm::Order,
                '/(?:^|[,;:.]\s*|\be\s+)(?:per\s+(?:favore|cortesia|piacere)|cortesemente|gentilmente),?\s+(?<do>\p{L}.*)/xu',
            ],
            [RequestForm::Order, '/(?<do>.{4,140}),?\s+(?:per\s+(?:favore|cortesia|piacere))\b/xu'],
            [RequestForm::Order, '/
                \b(?:la|vi|ti)\s+(?:
                    prego|preghiamo|chiedo|chiediamo|invito|invitiamo|ricordo|ricordiamo|sarei\s+grat[oa]
                    |saremmo\s+grati
                )\s+(?:(?:gentilmente|cortesemente|quindi)\s+)*(?:di\s+|se\s+(?:potesse|potessi)\s+)
                (?<do>(?!scusar|voler\s+accettare)\p{L}.*)
            /xu'],
            [RequestForm::Order, '/\bsi\s+(?:prega|richiede)\s+(?:gentilmente\s+)?di\s+(?<do>(?!non\s+rispondere|notare)\p{L}.*)/xu'],
            [RequestForm::Order, '/
                ^(?<do>
                    (?:
                        mandami|mandaci|mandi|invii|inviami|inviaci|confermi|conferma|firmi|firma|risponda|rispondi
                        |dimmi|mi\s+dica|chiamami|mi\s+chiami|controlli|controlla|compili|compila|paghi|porti|porta
                        |ricordati|non\s+dimenticare|fammi\s+sapere|ci\s+faccia|mi\s+faccia\s+sapere|restituisca
                        |indichi|fateci\s+sapere|inviateci|mandateci|dammi|dacci|prendi|prenda|prenota|prenoti|compra
                        |compri|cerca|cerchi|prepara|prepari|leggi|legga|guarda|guardi|scegli|scelga
                        |(?:
                            inviate|mandate|confermate|firmate|rispondete|chiamate|controllate|compilate|pagate
                            |portate|ricordate|restituite|consegnate|completate|indicate|leggete|scegliete
                        )(?:ci|mi)?
                        |scrivimi|mi\s+scriva|chiedi|chieda|avvisami|aiutami|ricorda|ricordi|correggi|corregga|metti
                        |metta
                    )\b.*
                )
            /xu'],
            [RequestForm::Wish, '/
                \b(?:sarebbe|mi\s+piacerebbe|ci\s+piacerebbe|mi\s+aiuterebbe|ci\s+aiuterebbe|vorrei|vorremmo)\s+(?:
                    (?:molto|utile|bello|di\s+grande\s+aiuto|importante|avere|ricevere|sapere|tanto)\s+
                )*(?:se|che)?\s*(?<do>(?:potesse|potessi|poteste|il|la|i|le|tuo|tua|suo|sua|vostr[oa]|se|una)\b.*)
            /xu'],
            [RequestForm::Need, '/
                \b(?:
                    ho\s+bisogno|abbiamo\s+bisogno|mi\s+serv(?:e|ono)|ci\s+serv(?:e|ono)|mi\s+occorre|ci\s+occorre
                    |mi\s+manca(?:no)?|ci\s+manca(?:no)?|attendo|attendiamo|aspetto|aspettiamo
                    |sto\s+ancora\s+aspettando|restiamo\s+in\s+attesa
                )\s+(?:(?:ancora|urgentemente|di|del|della|dei|delle|dell\')\s*)*(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Wish, '/\b(?:le|ti|vi)\s+(?:sarei|saremmo)\s+(?:molto\s+)?grat[oaie]\s+se\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:la|il|le|i)\s[^.;,!?]{2,40}?\snon\s+(?:è|sono|risulta|risultano|ci\s+è)\s+(?:ancora\s+)?
                    (?:stat[oaie]\s+)?(?:pagat|arrivat|pervenut|ricevut|firmat|restituit|consegnat|saldat)[oaie].*
                )
            /xu'],
            [RequestForm::Wish, '/\b(?:vorrei|vorremmo|mi\s+piacerebbe|voglio)\s+sapere\s+(?<do>\p{L}.*)/xu'],
            [
                RequestForm::Need,
                '/\bmanca(?:no)?\s+(?:ancora\s+|solo\s+|soltanto\s+)?(?<do>(?:la|il|i|le)\s+(?:sua|suo|sue|suoi|tua|tuo|tue|tuoi'
                    .'|vostr[aoie])\b.*)/xu',
            ],
            [RequestForm::Need, '/\bnon\s+(?:ho|abbiamo)\s+(?:ancora\s+)(?<do>(?:ricevuto|avuto).*)/xu'],
            [RequestForm::Need, '/
                \b(?:devi|deve|dovete|dovresti|dovrebbe|dovreste|bisogna|occorre)\s+(?<do>
                    (?:
                        inviare|mandare|firmare|pagare|consegnare|presentare|restituire|confermare|compilare
                        |rispondere|completare|controllare
                    )\p{L}*\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:la|il|sua|suo|tua|tuo)\s?\p{L}+(?:\s[\p{L}\d\/-]+){0,3}?\s+
                    (?:è|risulta|risultano|sono|va|vanno)\s+(?:ancora\s+)?(?:
                        scadut[oaie]|in\s+ritardo|non\s+pagat[oa]|in\s+sospeso|insolut[oa]|attes[oa]
                        |inviat[oaie]\s+entro|consegnat[oaie]\s+entro|restituit[oaie]
                    ).*
                )
            /xu'],
        ];
    }

    public function courtesy(): string
    {
        return '/^(?:non\s+(?:esit|rispond)|scus|accett|visit|clicc|notare|tenere\s+presente|la\s+(?:comprensione|pazienza)|immagin'
            .'|creder)/xu';
    }

    public function unlikely(): string
    {
        return '/^(?:per\s+(?:qualsiasi|ulteriori|eventuali)|se\s+(?:hai|ha|avete|avesse)\s+(?:domande|dubbi|bisogno)|in\s+caso\s+di)/xu';
    }

    public function notNeeded(): string
    {
        return '/
            \b(?:
                non\s+(?:è|serve|occorre|c\'è\s+bisogno|devi|deve|dovete)\s*(?:più\s+)?(?:
                    necessario|bisogno|che|fare|inviare|mandare|rispondere
                )?
                |nessuna\s+(?:azione|risposta)
            )\b
        /xu';
    }

    public function rhetorical(): string
    {
        return '/^(?:(?:e|allora|ma)[,]?\s+)*(?:come\s+(?:stai|sta|state|va)|tutto\s+bene|chi\s+l\'avrebbe\s+detto|perché\s+no|vero'
            .'|no)\b[^?]{0,40}\?/xu';
    }

    public function english(): array
    {
        return [
            'lunedì' => 'monday', 'martedì' => 'tuesday', 'mercoledì' => 'wednesday', 'giovedì' => 'thursday', 'venerdì' => 'friday',
            'sabato' => 'saturday', 'domenica' => 'sunday',
            'gennaio' => 'january', 'febbraio' => 'february', 'marzo' => 'march', 'aprile' => 'april', 'maggio' => 'may',
            'giugno' => 'june', 'luglio' => 'july', 'agosto' => 'august', 'settembre' => 'september', 'ottobre' => 'october',
            'novembre' => 'november', 'dicembre' => 'december',
            'oggi' => 'today', 'domani' => 'tomorrow', 'dopodomani' => 'overmorrow', 'ieri' => 'yesterday', 'prossimo' => 'next',
            'prossima' => 'next', 'questo' => 'this', 'questa' => 'this', 'scorso' => 'last', 'scorsa' => 'last', 'settimana' => 'week',
            'settimane' => 'weeks', 'mese' => 'month', 'mesi' => 'months', 'anno' => 'year', 'giorni' => 'days', 'giorno' => 'on',
            'buon fine' => 'good', "l'appuntamento" => 'appointment', "l'assemblea" => 'meeting', "l'incontro" => 'meeting',
            'riceverai' => 'you will receive', 'riceverà' => 'you will receive', 'fine' => 'end', 'inizio' => 'start', 'metà' => 'middle',
            'mezzogiorno' => 'noon', 'mezzanotte' => 'midnight', 'mattina' => 'morning', 'mattino' => 'morning',
            'pomeriggio' => 'afternoon', 'sera' => 'evening', 'tra' => 'in', 'fra' => 'in',
            'casa' => 'home', 'il' => 'the', 'la' => 'the', 'le' => 'at', 'alle' => 'at', 'ore' => 'at', 'del' => 'the', 'della' => 'the',
            'al' => 'the', 'di' => 'of', 'lo' => 'the',
            'un' => 'one', 'una' => 'one', 'due' => 'two', 'tre' => 'three', 'quattro' => 'four', 'cinque' => 'five', 'sei' => 'six',
            'sette' => 'seven', 'otto' => 'eight', 'dieci' => 'ten', 'quindici' => 'fifteen',
            'entro' => 'within', 'fine mese' => 'month+end', 'fine anno' => 'year+end', 'prima' => 'before', 'fino' => 'until',
            'tardi' => 'the latest', 'scadenza' => 'deadline', 'scade' => 'due', 'aperta' => 'open', 'aperte' => 'open',
            'aperto' => 'open', 'termine' => 'deadline', 'per' => 'by', 'dal' => 'since',
            'riunione' => 'meeting', 'appuntamento' => 'appointment', 'incontro' => 'meeting', 'visita' => 'visit',
            'concerto' => 'concert', 'festa' => 'party', 'cena' => 'dinner', 'pranzo' => 'lunch', 'matrimonio' => 'wedding',
            'compleanno' => 'birthday', 'prova' => 'rehearsal', 'lezione' => 'lesson', 'spettacolo' => 'show', 'caffè' => 'coffee',
            'gita' => 'visit', 'annullata' => 'cancelled', 'annullato' => 'cancelled', 'inizia' => 'begins', 'svolge' => 'takes place',
            'sarà' => 'will', 'saranno' => 'will', 'venire' => 'come', 'vieni' => 'come', 'venite' => 'come', 'passare' => 'visit',
            'chiuso' => 'is closed', 'chiusa' => 'is closed', 'eravamo' => 'were', 'erano' => 'were', 'siamo' => 'were',
            'tornati' => 'came', 'era' => 'was',
            // Meeting and being there
            'unirti' => 'join', 'unirsi' => 'join', 'raggiungerci' => 'join', 'accompagnarci' => 'join', 'vederci' => 'meet',
            'vediamo' => 'meet', 'incontrarci' => 'meet', 'incontriamo' => 'meet', 'partecipare' => 'attend', 'libero' => 'free',
            'libera' => 'free', 'disponibile' => 'free', 'va bene' => 'suits', 'andrebbe' => 'suits', 'in casa' => 'home',
            'a casa' => 'home',
        ];
    }

    public function thing(): string
    {
        return '/^(?:(?:il|lo|la|i|gli|le|una?|uno)\s|l\')/u';
    }

    public function verbs(): array
    {
        return [
            'firm' => 'Sign',
            'conferm' => 'Confirm',
            'pag|vers|sald' => 'Pay',
            'controll|verific|rilegg|corregg|rived' => 'Check',
            'compil|complet' => 'Fill in',
            'restitu|rimand' => 'Send back',
            'chiam|telefon' => 'Call',
            'port' => 'Bring',
            'prenot' => 'Book',
            'ordin' => 'Order',
            'scriv|prepar|redig' => 'Write',
            'mand|invi|spedi|trasmett|consegn|present|fornir' => 'Send',
            'dir|dic|dim|fa(?:r|cci\p{L}*)(?:mi|ci)?\s+sapere|fammi\s+sapere|rispond|indic|inform|avvis' => 'Tell',
            'ven(?:ire|ga|ite)|partecip' => 'Come',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'spost|rinvi|anticip|posticip|rimand|proroga|cambi|slitt',
            'from' => 'dal?|dalle|dallo|dall\'',
            'to' => 'al?|alle|allo|all\'',
            'instead' => 'invece del?|invece che|al posto del?|anziché',
            'not' => 'non',
            'but' => 'ma|bensì',
        ];
    }
}
