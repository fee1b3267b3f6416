# Who makes the changes of the request that is being answered.
class Signature < ActiveSupport::CurrentAttributes
  attribute :who
end
