import { type FieldSpec, text } from "./spec";

export const customers: readonly FieldSpec[] = [
  text(
    "externalId",
    "customer_id,id,kd number,customer number,customer no,account number,account no,code,customer code,customer ref,customer reference,client id,client number,client no,client code,cust no,cust id,customer num,account code,account id,acct no,kundennummer,kunden nr,kundennr,no,nr,debitor,debitorennummer,debiteur,debiteurnummer,debiteurnr,numero client,code client,no client,codigo cliente,numero de cliente,id cliente,codice cliente,klantnummer,contact id,account",
    true,
  ),
  text(
    "name",
    "name,customer name,display name,customer,company,legal name,trading name,business name,full name,account name,client name,client,organisation,organization,company name,contact name,kunde,kundenname,firma,name 1,name1,nom,nom du client,raison sociale,client nom,nombre,cliente,razon social,ragione sociale,naam,klant,nome,registered name,entity name,entity,party name,member name,account holder,organization name,organisation name,school,school name",
    true,
  ),
  text(
    "email",
    "email,e mail,email address,mail,e mail address,main email,billing email,contact email,billing contact email,accounts payable email,ap email,primary email,courriel,adresse email,correo,correo electronico,mailadresse,posta elettronica,e mail adresse,contact e mail,contact mail",
  ),
  text(
    "phone",
    "phone,telephone,phone number,tel,main phone,mobile,phone no,telephone number,telefon,telefono,telefoon",
  ),
  text(
    "parentId",
    "parent_id,parent,head office,parent customer,parent account,parent id,parent customer id,head office id,head office ref,head office reference,head office no,head office number,head office code,parent ref,parent reference,parent code,parent no,bill to id,bill to customer,bill to customer number,bill to number,bill to account,parent customer number,parent number,sub customer of,konzern,konzernmutter,mutter,hauptniederlassung,zentrale,konzernzentrale,hoofdkantoor,sede central,siege,maison mere,casa madre,matriz,belongs to,bill to,group",
  ),
  text(
    "aliases",
    "aliases,other names,also known as,trade names,doing business as,dba,trading name,trading as,trade name",
  ),
];
