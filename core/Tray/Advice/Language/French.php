<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class French extends Tongue
{
    public function name(): string
    {
        return 'fr';
    }

    public function words(): array
    {
        return [
            'le', 'la', 'les', 'de', 'des', 'du', 'et', 'est', 'vous', 'nous', 'je', 'un', 'une', 'pour', 'que', 'qui', 'dans', 'sur',
            'avec', 'votre', 'vos', 'pas', 'ne', 'au', 'aux', 'ce', 'cette', 'il', 'elle', 'en', 'merci', 'avant', 'plus', 'bonjour',
            'par', 'notre', 'si', 'sont', 'être', 'avez', 'mon', 'à', 'tu', 'envoie', 'envoyez', 'envoyer', 'dis', 'dites', 'peux',
            'peut', 'pouvez', 'suis', 'es', 'sommes', 'ont', 'été', 'avait', 'serait', 'moi', 'toi', 'lui', 'leur', 'leurs', 'mes', 'ta',
            'tes', 'ton', 'sa', 'ses', 'son', 'nos', 'où', 'quand', 'comment', 'quel', 'quelle', 'toujours', 'encore', 'bien', 'très',
            'aussi', 'mais', 'donc', 'ou', 'oui', 'non', 'n\'est', 'c\'est', 'j\'ai', 'j\'aurais', 'qu\'il', 'd\'une', 'l\'on', 'demain',
            'aujourd\'hui', 'besoin', 'faut', 'faire', 'fait', 'viens', 'venez', 'salut', 'cher', 'chère', 'cordialement', 'voudrais',
            'y', 'a', 'sans', 'chez', 'tout', 'tous', 'toute', 'toutes', 'rien',
        ];
    }

    public function letters(): string
    {
        return '/[çœêèàùû]|\b(?:d|j|n|s|m|t|qu)\'\p{L}/u';
    }

    public function forms(): array
    {
        return [
            [RequestForm::Order, '/
                \b(?:pourriez|pouvez|voudriez|auriez|seriez|veuillez)(?:-|\s)vous\s+(?:
                    (?:me|nous|bien|aussi|peut-être|s\'il\s+vous\s+plaît|l\'amabilité\s+de|la\s+gentillesse\s+de)\s+
                )*(?<do>\p{L}.*)
            /xu'],
            [
                RequestForm::Order,
                '/\b(?:tu\s+(?:peux|pourrais|veux\s+bien)|vous\s+(?:pouvez|pourriez))\s+(?:(?:me|nous|bien|aussi|stp)\s+'
                    .'|m\')*(?<do>\p{L}.*\?)/xu',
            ],
            [RequestForm::Order, '/\b(?:peux|pourrais|voudrais|veux)(?:-|\s)tu\s+(?:(?:me|nous|bien|aussi|stp)\s+)*(?<do>\p{L}.*)/xu'],
            [RequestForm::Order, '/
                (?:^|[,;:.]\s*|\bet\s+)(?:merci|prière)\s+(?:d\'avance\s+)?
                (?:de\s+(?:bien\s+vouloir\s+)?|d\'|à\s+vous\s+de\s+)
                (?<do>(?!avoir|votre|ta|ton|vos|la|l\'|tout)\p{L}.*)
            /xu'],
            [RequestForm::Order, '/(?:^|[,;:.]\s*|\bet\s+)veuillez\s+(?:bien\s+)?(?<do>\p{L}.*)/xu'],
            [RequestForm::Order, '/
                \b(?:je|nous)\s+(?:vous|te)\s+(?:
                    prie|prions|demande|demandons|invite|invitons|serais\s+reconnaissante?|serions\s+reconnaissants
                    |saurais\s+gré|saurions\s+gré|remercie|remercions|rappelle|rappelons
                )\s+(?:(?:donc|de\s+bien\s+vouloir|instamment)\s+)*(?:de\s+|d\'|que\s+)(?<do>
                    (?!votre|ton|ta|vos|agréer|croire|recevoir|excuser|m\'excuser|nous\s+excuser|avoir|l\'attention)
                    \p{L}.*
                )
            /xu'],
            [RequestForm::Order, '/
                ^(?<do>
                    (?:
                        envoyez|envoie|transmettez|renvoyez|confirmez|confirme|signez|signe|répondez|réponds|dites|dis
                        |appelez|appelle|vérifiez|vérifie|complétez|remplissez|payez|réglez|apportez|apporte|pensez
                        |pense|n\'oubliez|n\'oublie|donnez|donne|faites|fais|retournez|indiquez|prévenez|préviens
                        |mettez|mets|prenez|prends|choisissez|choisis|tenez|tiens|laissez|laisse|réservez|réserve
                        |commandez|commande|regardez|regarde|lisez|lis|corrigez|corrige|passez|passe|demandez|demande
                        |cherchez|cherche|préparez|prépare|rappelez|rappelle
                    )(?:-(?:moi|nous|le|la|les))?\b.*
                )
            /xu'],
            [RequestForm::Order, '/(?<do>.{4,140})\b(?:s\'il\s+(?:vous|te)\s+pla[iî]t|svp|stp)\b/xu'],
            [RequestForm::Wish, '/
                \b(?:ce|cela|ça|il)\s+(?:serait|me\s+serait|nous\s+serait|m\'aiderait|nous\s+aiderait)\s+
                (?:(?:très|vraiment|bien|beaucoup)\s+)*(?:\p{L}+\s+)?(?:si|de|d\'|que)\s*(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Wish, '/
                \b(?:j\'|je\s+|nous\s+)(?:
                    voudrais|voudrions|aimerais|aimerions|souhaite|souhaiterais|souhaitons|souhaiterions|apprécierais
                    |apprécierions|attends|attendons
                )\s+(?:(?:bien|toujours|encore|avoir|recevoir|connaître|savoir|que\s+vous)\s+)*(?<do>
                    (?:votre|vos|ton|ta|tes|une?\s+réponse|si|que|vous|le|la|les)\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                \b(?:j\'ai|nous\s+avons|on\s+a|il\s+(?:nous|me)\s+(?:faut|faudrait|manque))\s+(?:
                    (?:encore|toujours|vraiment|absolument|besoin\s+de|besoin\s+d\')\s*
                )*(?<do>(?:votre|vos|ton|ta|tes|(?<=besoin\sde\s)l[ae\']|(?<=manque\s)\p{L}+)\b.*)
            /xu'],
            [RequestForm::Need, '/
                \b(?:j\'(?:ai|aurais)|nous\s+(?:avons|aurions)|on\s+(?:a|aurait))\s+(?:
                    (?:encore|toujours|vraiment|absolument|urgemment)\s+
                )*besoin\s+(?<do>(?:de\s+(?:votre|vos|ton|ta|tes|la|le|l\'|les|ces|cette|une?)|des|du|d\'une?)\b.*)
            /xu'],
            [
                RequestForm::Need,
                '/\bil\s+(?:faut|faudrait|est\s+(?:important|nécessaire|indispensable))\s+(?:absolument\s+|donc\s+)?que\s+(?:vous'
                    .'|tu)\s+(?<do>\p{L}.*)/xu',
            ],
            [RequestForm::Need, '/
                \b(?:je|nous)\s+n\'(?:ai|avons)\s+(?:toujours\s+|encore\s+)?(?:pas|rien|aucune?)\s+(?:encore\s+)?
                (?<do>(?:reçu|eu|de\s+réponse|réponse).*)
            /xu'],
            [
                RequestForm::Need,
                '/\b(?:vous|tu)\s+(?:devez|dois|devriez|devrais|êtes\s+(?:priés?|invités?|tenus?)\s+(?:de|d\')'
                    .'|avez\s+jusqu)\s*(?<do>(?!être)\p{L}.*)/xu',
            ],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:votre|la|le|l\'|ce)\s?\p{L}+(?:\s[\p{L}\d\/-]+){0,3}?\s+(?:est|sont|reste|restent)\s+
                    (?:toujours\s+|encore\s+)?(?:
                        en\s+retard|impayée?s?|due?s?|attendue?s?|en\s+attente|en\s+souffrance
                        |à\s+(?:remettre|rendre|renvoyer|retourner|payer|régler|signer|envoyer)
                    ).*
                )
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:votre|vos|ta|ton|tes|la|le|les)\s[^.;,!?]{2,40}?\sn\'(?:a|ont|est|sont)\s+
                    (?:toujours\s+|encore\s+)?pas\s+(?:encore\s+|toujours\s+)?(?:été\s+)?(?:
                        pay|re[çc]u|réglé|arriv|parven|rendu|signé|renvoy|retourn
                    ).*
                )
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b\p{L}+(?:\s\p{L}+){0,4}?\s+(?:doit|doivent)\s+(?:nous\s+)?(?:être|parvenir|arriver).*\b
                    (?:avant|au\s+plus\s+tard|d\'ici|jusqu).*
                )
            /xu'],
        ];
    }

    public function courtesy(): string
    {
        return '/
            ^(?:
                agréer|croire|recevoir|trouver\s+(?:ci|en)|noter\s+que|nous\s+excuser|m\'excuser|excuser|accepter
                |ne\s+pas\s+(?:répondre|hésiter)
                |n\'hésit|cliquer|visiter|vous\s+désinscrire|prendre\s+note|patienter
                |votre\s+(?:compréhension|attention|patience|aide|message)
                |pour\s+votre|dis\s+bonjour|faites\s+attention|imaginer|croire
            )
        /xu';
    }

    public function unlikely(): string
    {
        return '/
            ^(?:
                pour\s+toute|en\s+cas\s+d
                |si\s+(?:vous|tu)\s+(?:avez|as)\s+(?:des|d\'autres|une|la\s+moindre)\s+questions?
                |si\s+vous\s+ne\s+souhaitez\s+plus
            )
        /xu';
    }

    public function notNeeded(): string
    {
        return '/
            \b(?:
                pas\s+(?:la\s+peine|nécessaire|besoin)
                |inutile\s+d
                |n\'(?:est|avez|as)\s+(?:plus\s+)?(?:pas\s+)?(?:besoin|obligatoire)
                |aucune\s+(?:action|réponse)\s+(?:n\'est\s+)?(?:requise|nécessaire)
                |rien\s+à\s+faire
            )
        /xu';
    }

    public function rhetorical(): string
    {
        return '/
            ^(?:(?:et|alors|bon)[,]?\s+)*(?:
                comment\s+(?:ça\s+va|vas-tu|allez-vous|va).*
                |ça\s+va.*|tout\s+va\s+bien.*
                |qui\s+(?:l\')?aurait\s+(?:cru|dit).*
                |pourquoi\s+pas.*|n\'est-ce\s+pas
            )\s?\?
        /xu';
    }

    public function english(): array
    {
        return [
            'lundi' => 'monday', 'mardi' => 'tuesday', 'mercredi' => 'wednesday', 'jeudi' => 'thursday', 'vendredi' => 'friday',
            'samedi' => 'saturday', 'dimanche' => 'sunday',
            'janvier' => 'january', 'février' => 'february', 'mars' => 'march', 'avril' => 'april', 'mai' => 'may', 'juin' => 'june',
            'juillet' => 'july', 'août' => 'august', 'septembre' => 'september', 'octobre' => 'october', 'novembre' => 'november',
            'décembre' => 'december', 'er' => 'st',
            "aujourd'hui" => 'today', 'demain' => 'tomorrow', 'après-demain' => 'overmorrow', 'hier' => 'yesterday', 'prochain' => 'next',
            'prochaine' => 'next', 'ce' => 'this', 'cette' => 'this', 'dernier' => 'last', 'dernière' => 'last',
            'entre' => 'between', 'et' => 'and', 'bonne fin' => 'good', 'bon week-end' => 'good', 'semaine' => 'week',
            'semaines' => 'weeks', 'mois' => 'month', 'an' => 'year', 'année' => 'year', 'jour' => 'day', 'jours' => 'days',
            'heures' => "o'clock", 'heure' => "o'clock", 'week-end' => 'weekend', 'fin' => 'end', 'début' => 'start', 'midi' => 'noon',
            'minuit' => 'midnight', 'matin' => 'morning', 'après-midi' => 'afternoon', 'soir' => 'evening', 'dans' => 'in',
            'sous' => 'within',
            'là' => 'there', 'serais' => 'be', 'serez' => 'be', 'chez' => 'home', 'le' => 'the', 'la' => 'the', 'les' => 'the',
            'du' => 'the', 'de' => 'of', 'au' => 'the', 'à' => 'at', 'vers' => 'around',
            'un' => 'one', 'une' => 'one', 'deux' => 'two', 'trois' => 'three', 'quatre' => 'four', 'cinq' => 'five', 'six' => 'six',
            'sept' => 'seven', 'huit' => 'eight', 'dix' => 'ten', 'quinze' => 'fifteen',
            'avant' => 'before', "d'ici" => 'by', 'jusqu' => 'until', "jusqu'au" => 'until', "jusqu'à" => 'until', 'tard' => 'latest',
            'recevrez' => 'you will receive', 'livré' => 'delivered', 'livrée' => 'delivered', 'depuis' => 'since',
            'quinzaine' => 'fortnight', 'sous quinzaine' => 'a+fortnight', 'ouvert' => 'open', 'ouverte' => 'open', 'ouvertes' => 'open',
            'valable' => 'valid', 'expire' => 'expires', 'échéance' => 'deadline', 'délai' => 'deadline', 'pour' => 'by',
            'réunion' => 'meeting', 'rendez-vous' => 'appointment', 'rencontre' => 'meeting', 'aura' => 'takes', 'lieu' => 'place',
            'visite' => 'visit', 'concert' => 'concert', 'fête' => 'party', 'dîner' => 'dinner', 'déjeuner' => 'lunch',
            'mariage' => 'wedding', 'anniversaire' => 'birthday', 'répétition' => 'rehearsal', 'atelier' => 'workshop',
            'spectacle' => 'show', 'apéro' => 'drinks', 'sortie' => 'visit', 'annulé' => 'cancelled', 'annulée' => 'cancelled',
            'commence' => 'begins', 'invitons' => 'invite', 'sera' => 'will', 'seront' => 'will', 'venir' => 'come', 'viens' => 'come',
            'venez' => 'come', 'passer' => 'visit', 'fermé' => 'is closed', 'fermée' => 'is closed', 'étions' => 'were',
            'étaient' => 'were', 'sommes' => 'were', 'était' => 'was', 'avons' => 'have',
            // Meeting and being there
            'rejoindre' => 'join', 'rejoins' => 'join', 'rejoignez' => 'join', 'accompagner' => 'join', 'voir' => 'meet',
            'voit' => 'meet', 'voyons' => 'meet', 'retrouve' => 'meet', 'retrouver' => 'meet', 'rencontrer' => 'meet',
            'assister' => 'attend', 'participer' => 'attend', 'libre' => 'free', 'dispo' => 'free', 'disponible' => 'free',
            'disponibles' => 'free', 'convient' => 'suits', 'conviendrait' => 'suits', 'arrange' => 'suits', 'maison' => 'home',
        ];
    }

    public function thing(): string
    {
        return '/^(?:l(?:e|a|es)\s|l\'|une?\s|votre\s|vos\s|t(?:on|a|es)\s)/u';
    }

    public function verbs(): array
    {
        return [
            'sign(?:er|ez|e\b)' => 'Sign',
            'confirm' => 'Confirm',
            'pay|régl|vers' => 'Pay',
            'vérifi|relire|reli|lire\b|jeter\s+un|corrig|contrôl' => 'Check',
            'rempli|complét' => 'Fill in',
            'renvoy|retourn|rend' => 'Send back',
            'appel|téléphon|rappel' => 'Call',
            'apport' => 'Bring',
            'réserv' => 'Book',
            'command' => 'Order',
            'écri|rédig|prépar' => 'Write',
            'envoy|envoie|transmet|adress|fournir|communiqu' => 'Send',
            'di(?:re|tes|s)\b|prévenir|prévenez|indiqu|répond|savoir|inform' => 'Tell',
            'ven(?:ir|ez)|particip' => 'Come',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'report|déplac|décal|repouss|avanc|remis|chang|prolong|pass(?:e|é|era)\b',
            'from' => 'du|de|d\'',
            'to' => 'au|à',
            'instead' => 'au lieu du?|plutôt que|à la place du?',
            'not' => 'pas',
            'but' => 'mais',
        ];
    }
}
