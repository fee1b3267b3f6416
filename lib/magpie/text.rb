module Magpie
  # Bytes from outside turned into text, and words for people.
  module Text
  end
end

require "magpie/text/comments"
require "magpie/text/decoding"
require "magpie/text/words"
