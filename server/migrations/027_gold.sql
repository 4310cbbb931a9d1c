-- Up Migration
-- The gold ledger: lines of what was done with gold in hand, and who has how many parts of what is won.
create table gold_entry (
  crew_id uuid not null,
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  entry_at timestamptz not null,
  deed text not null,
  from_place text not null,
  to_place text not null,
  amount_mg numeric(12, 1) not null,
  amount_entered jsonb not null,
  out_mg numeric(12, 1),
  out_entered jsonb,
  fineness_permille double precision,
  price double precision,
  corrects uuid,
  note text not null,
  primary key (crew_id, id),
  constraint gold_entry_corrects_fk foreign key (crew_id, corrects) references gold_entry (crew_id, id),
  constraint gold_entry_deed_known check (
    deed in ('found', 'moved', 'melted', 'sold', 'handed out', 'lost', 'taken back')
  ),
  constraint gold_entry_from_within check (length(from_place) <= 80),
  constraint gold_entry_to_within check (length(to_place) <= 80),
  constraint gold_entry_amount_mg_within check (amount_mg >= 0 and amount_mg <= 100000000),
  constraint gold_entry_out_mg_within check (out_mg >= 0 and out_mg <= 100000000),
  constraint gold_entry_out_of_amount check (out_mg <= amount_mg),
  constraint gold_entry_melt_only check ((deed = 'melted') = (out_mg is not null)),
  constraint gold_entry_correction_only check ((deed = 'taken back') = (corrects is not null)),
  constraint gold_entry_fineness_within check (fineness_permille >= 0 and fineness_permille <= 1000),
  constraint gold_entry_price_within check (price >= 0 and price <= 1000000000),
  constraint gold_entry_note_within check (length(note) <= 4000)
);
create table agreement (
  crew_id uuid not null,
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  since date not null,
  partners jsonb not null,
  note text not null,
  primary key (crew_id, id),
  constraint agreement_partners_some check (jsonb_array_length(partners) between 1 and 20),
  constraint agreement_note_within check (length(note) <= 4000)
);
