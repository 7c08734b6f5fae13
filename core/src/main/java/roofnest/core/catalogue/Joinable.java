package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** Anything that is joined to a house: a camera, or the hub that cameras join through. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind", defaultImpl = DeviceModel.class)
@JsonSubTypes({@JsonSubTypes.Type(value = DeviceModel.class, name = "camera"), @JsonSubTypes.Type(value = HubModel.class, name = "hub")})
public sealed interface Joinable permits DeviceModel, HubModel {
    String key();

    String maker();

    String name();

    RadioSpec radio();

    CredentialRule credentials();

    SetUp setUp();

    PasswordRule passwordRule();

    String factoryPassword();

    default String fullName() {
        return maker() + " " + name();
    }
}
