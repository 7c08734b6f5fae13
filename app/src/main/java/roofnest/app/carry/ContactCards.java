package roofnest.app.carry;

import java.util.List;

import org.springframework.stereotype.Component;

import ezvcard.Ezvcard;
import ezvcard.VCard;
import ezvcard.VCardVersion;
import ezvcard.parameter.TelephoneType;
import ezvcard.property.Address;
import ezvcard.property.Kind;
import ezvcard.property.StructuredName;
import ezvcard.property.Uid;

import roofnest.app.firm.FirmDetails;
import roofnest.app.records.Household;
import roofnest.app.records.ResidentRepository;

/** People and the firm as cards for an address book (vCard 4, RFC 6350). */
@Component
class ContactCards {
    /** Those who have to do with a household; who has left is no contact any more. */
    String household(Household household, List<ResidentRepository.Resident> people) {
        List<VCard> cards = people.stream().filter(person -> person.leftOn() == null).map(person -> {
            VCard card = card(person.name(), "resident-" + person.id());
            StructuredName name = new StructuredName();
            int last = person.name().lastIndexOf(' ');
            name.setFamily(last < 0 ? null : person.name().substring(last + 1));
            name.setGiven(last < 0 ? person.name() : person.name().substring(0, last));
            card.setStructuredName(name);
            card.setKind(Kind.individual());
            contact(card, household.phone(), person.email(), household.address());
            card.addNote(household.name() + ": " + person.tie().words());
            return card;
        }).toList();
        return Ezvcard.write(cards).version(VCardVersion.V4_0).prodId(false).go();
    }

    String firm(FirmDetails details) {
        VCard card = card(details.name(), "firm");
        card.setKind(Kind.org());
        card.setOrganization(details.name());
        contact(card, details.phone(), details.email(), details.address());
        return Ezvcard.write(card).version(VCardVersion.V4_0).prodId(false).go();
    }

    private static VCard card(String name, String uid) {
        VCard card = new VCard(VCardVersion.V4_0);
        card.setFormattedName(name);
        card.setUid(new Uid(uid + "@roofnest"));
        return card;
    }

    private static void contact(VCard card, String phone, String email, String address) {
        if (phone != null && !phone.isBlank()) {
            card.addTelephoneNumber(phone, TelephoneType.VOICE);
        }
        if (email != null && !email.isBlank()) {
            card.addEmail(email);
        }
        if (address != null && !address.isBlank()) {
            Address place = new Address();
            place.setStreetAddress(address);
            card.addAddress(place);
        }
    }
}
